import { type Finding, nameOf, say } from '../../evidence'
import { checkKind, choice, lane } from '../check'

export const byPass = checkKind({
  kind: 'by pass',
  name: 'Performed in a pass',
  about: 'The line was written by hand while the song played, in a given way.',
  needs: 'lines',
  fields: {
    lane: lane(),
    way: choice('Way of writing', [
      ['any', 'any way'],
      ['hold', 'while I hold (touch)'],
      ['move', 'from when I move (latch)'],
      ['play to stop', 'from play to stop (write)'],
      ['shift', 'shift what is there (trim)'],
      ['meet', 'until I meet the line'],
    ]),
  },
  judge(evidence, { lane, way }): Finding {
    const passes = evidence.commands.filter((c) => c.how !== 'hand' && c.lanes.includes(lane))
    const right = passes.filter((c) => way === 'any' || c.how === way)
    const name = nameOf(evidence, lane)
    const last = right.at(-1)
    return {
      verdict: right.length ? 'met' : passes.length ? 'close' : 'not yet',
      sentence: say(
        right.length
          ? '{name} was written by hand while the song played.'
          : passes.length
            ? '{name} was written while the song played, but in another way.'
            : '{name} was drawn, not played: ride its control while you listen.',
        { name },
      ),
      place: { lane, from: last?.from ?? 0, to: last?.to ?? evidence.time.length },
      figures: [{ name: 'passes', value: String(right.length), wanted: 'at least 1' }],
    }
  },
})
