import { type Finding, amount, count, laneOf, say, wanted } from '../../evidence'
import { envelopeOf } from '../../mix'
import { checkKind, lane, number } from '../check'
import { found } from '../conclude'

export const fewPoints = checkKind({
  kind: 'few points',
  needs: 'lines',
  fields: { lane: lane(), most: number('at-most', 'points', 20, 1, 5000) },
  judge(evidence, { lane, most }): Finding {
    const n = envelopeOf(evidence.mix, lane)?.points.length ?? 0
    // a line that is not there says nothing
    const verdict = n === 0 ? 'not yet' : n <= most ? 'met' : n <= most * 1.5 ? 'close' : 'not yet'
    const key = `check.few-points.${n === 0 ? 'none' : verdict === 'met' ? 'met' : 'many'}`
    const parts = { name: laneOf(lane), count: count(n), most: amount(most, 'points', 0) }
    return found(verdict, say(key, parts), { lane, from: 0, to: evidence.time.length }, [
      { name: 'points', value: amount(n, 'points', 0), wanted: wanted('most', amount(most, 'points', 0)) },
    ])
  },
})
