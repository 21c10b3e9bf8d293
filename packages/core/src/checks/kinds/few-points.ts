import { type Finding, nameOf, say } from '../../evidence'
import { envelopeOf } from '../../mix'
import { checkKind, lane, number } from '../check'

export const fewPoints = checkKind({
  kind: 'few points',
  name: 'At most so many points',
  about: 'The line says it with few points, so that it can still be changed.',
  needs: 'lines',
  fields: { lane: lane(), most: number('At most', 'points', 20, 1, 5000) },
  judge(evidence, { lane, most }): Finding {
    const count = envelopeOf(evidence.mix, lane)?.points.length ?? 0
    return {
      verdict: count <= most ? 'met' : count <= most * 1.5 ? 'close' : 'not yet',
      sentence: say(
        count <= most
          ? '{name} has {count} points: easy to change.'
          : '{name} has {count} points: thin them out, and it can be changed again.',
        { name: nameOf(evidence, lane), count },
      ),
      place: { lane, from: 0, to: evidence.time.length },
      figures: [{ name: 'points', value: String(count), wanted: `at most ${most}` }],
    }
  },
})
