import { type Finding, amount, laneOf, say, wanted } from '../../evidence'
import { checkKind, choice, lane } from '../check'
import { found } from '../conclude'

export const byPass = checkKind({
  kind: 'by pass',
  needs: 'lines',
  fields: {
    lane: lane(),
    way: choice('way-of-writing', ['any', 'hold', 'move', 'play to stop', 'shift', 'meet']),
  },
  judge(evidence, { lane, way }): Finding {
    const passes = evidence.commands.filter((c) => c.how !== 'hand' && c.lanes.includes(lane))
    const right = passes.filter((c) => way === 'any' || c.how === way)
    const last = right.at(-1)
    const verdict = right.length ? 'met' : passes.length ? 'close' : 'not yet'
    const key = { met: 'met', close: 'otherwise', 'not yet': 'drawn' }[verdict]
    return found(
      verdict,
      say(`check.by-pass.${key}`, { name: laneOf(lane) }),
      { lane, from: last?.from ?? 0, to: last?.to ?? evidence.time.length },
      [
        {
          name: 'passes',
          value: amount(right.length, 'points', 0),
          wanted: wanted('least', amount(1, 'points', 0)),
        },
      ],
    )
  },
})
