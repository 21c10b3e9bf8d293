import { type Finding, at, laneOf, say, valued, valueOf, wanted } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { found } from '../conclude'
import { fromUnit, inUnit } from './values'

/** A value at one place. */
export const position = checkKind({
  kind: 'position',
  name: 'Value at a place',
  about: 'A pan, level, wet or frequency is at some value at one place.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('At'),
    value: number('Value', 'dB; −100 to 100 for a pan; %; Hz', 0, -100, 20_000),
    tolerance: number('Give or take', 'of the same', 3, 0, 5000),
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
