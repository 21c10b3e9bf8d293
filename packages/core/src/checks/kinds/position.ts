import { type Finding, at, nameOf, say, valueOf, valueText } from '../../evidence'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { inUnit } from './values'

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
    const shown = inUnit(evidence, lane, now)
    const words = {
      name: nameOf(evidence, lane),
      at: at(evidence, from),
      value: valueText(evidence, lane, now),
    }
    const verdict = verdictOf(shown - value, tolerance)
    return {
      verdict,
      sentence: say(
        verdict === 'met'
          ? 'At {at} {name} is at {value}.'
          : shown < value
            ? 'At {at} {name} is at {value}: further up is asked.'
            : 'At {at} {name} is at {value}: further down is asked.',
        words,
      ),
      place: { lane, from, to: from + evidence.time.meter.lengthsAt(from).beat },
      figures: [{ name: 'at the place', value: words.value, wanted: `${value} ± ${tolerance}` }],
    }
  },
})
