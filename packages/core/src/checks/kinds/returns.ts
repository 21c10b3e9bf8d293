import { type Finding, at, laneOf, say, valued, valueOf, wanted } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { found } from '../conclude'

/** Back at a value that it had before. */
export const returns = checkKind({
  kind: 'returns',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('as-it-was-at'),
    to: place('back-at'),
    tolerance: number('give-or-take', 'of-way', 3, 0.5, 30),
  },
  judge(evidence, { lane, from, to, tolerance }): Finding {
    const scale = resolve(evidence.mix, lane)?.control.scale
    const [then, now] = [from, to].map((tick) => valueOf(evidence.mix, lane, tick)) as [number, number]
    const apart = scale ? 100 * (scale.toTravel(now) - scale.toTravel(then)) : Infinity
    const verdict = verdictOf(apart, tolerance)
    const parts = {
      name: laneOf(lane),
      to: at(to),
      from: at(from),
      now: valued(lane, now),
      then: valued(lane, then),
    }
    return found(
      verdict,
      say(verdict === 'met' ? 'check.returns.met' : 'check.returns.off', parts),
      { lane, from, to },
      [{ name: 'at-end', value: valued(lane, now), wanted: wanted('is', valued(lane, then)) }],
    )
  },
})
