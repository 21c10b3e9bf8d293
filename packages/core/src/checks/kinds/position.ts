import { type Finding, at, laneOf, say, valued, valueOf, wanted } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { found } from '../conclude'
import { fromUnit, inUnit } from './values'

/** A value at one place. */
export const position = checkKind({
  kind: 'position',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('at'),
    value: number('value', 'own', 0, -100, 20_000),
    tolerance: number('give-or-take', 'same', 3, 0, 5000),
  },
  judge(evidence, { lane, from, value, tolerance }): Finding {
    const now = valueOf(evidence.mix, lane, from)
    const verdict = verdictOf(inUnit(evidence, lane, now) - value, tolerance)
    const asked = valued(lane, fromUnit(evidence, lane, value))
    const parts = { name: laneOf(lane), at: at(from), value: valued(lane, now), asked }
    const pan = lane.endsWith('/pan') && resolve(evidence.mix, lane)
    const off = pan ? 'elsewhere' : inUnit(evidence, lane, now) < value ? 'low' : 'high'
    return found(
      verdict,
      say(verdict === 'met' ? 'check.position.met' : `check.position.${off}`, parts),
      { lane, from, to: from + evidence.time.meter.lengthsAt(from).beat },
      [{ name: 'at-place', value: valued(lane, now), wanted: wanted('about', asked) }],
    )
  },
})
