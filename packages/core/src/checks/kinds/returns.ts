import { type Finding, at, nameOf, say, valueOf, valueText } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, lane, number, place, verdictOf } from '../check'

/** Back at a value that it had before. */
export const returns = checkKind({
  kind: 'returns',
  name: 'Returns to',
  about: 'At a place it is back where it was at another.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('As it was at'),
    to: place('Back at'),
    tolerance: number('Give or take', '% of the way', 3, 0.5, 30),
  },
  judge(evidence, { lane, from, to, tolerance }): Finding {
    const scale = resolve(evidence.mix, lane)?.control.scale
    const [then, now] = [from, to].map((tick) => valueOf(evidence.mix, lane, tick)) as [number, number]
    const apart = scale ? 100 * (scale.toTravel(now) - scale.toTravel(then)) : Infinity
    const verdict = verdictOf(apart, tolerance)
    const words = {
      name: nameOf(evidence, lane),
      to: at(evidence, to),
      now: valueText(evidence, lane, now),
      then: valueText(evidence, lane, then),
      from: at(evidence, from),
    }
    return {
      verdict,
      sentence: say(
        verdict === 'met'
          ? '{name} is back at {now} at {to}.'
          : '{name} is still at {now} at {to}; it was at {then} at {from}.',
        words,
      ),
      place: { lane, from, to },
      figures: [{ name: 'at the end', value: words.now, wanted: words.then }],
    }
  },
})
