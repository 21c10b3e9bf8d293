import { bars, say, secondsOf, type Finding } from '../../evidence'
import { leftOverRight } from '../../heard'
import { numberText, signedText } from '../../scale'
import { checkKind, number, place, unheard, verdictOf } from '../check'

export const leftAgainstRight = checkKind({
  kind: 'left against right',
  name: 'Balance: left and right',
  about: 'The mix leans to a side by no more than some dB.',
  needs: 'sound',
  fields: {
    from: place('From'),
    to: place('To'),
    tolerance: number('Leans by at most', 'dB', 2, 0.5, 20),
  },
  judge(evidence, { from, to, tolerance }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const leans = leftOverRight(heard.mix, secondsOf(time, from, to))
    const words = {
      bars: bars(evidence, from, to),
      db: numberText(Math.abs(leans ?? 0), 1),
      side: (leans ?? 0) > 0 ? 'left' : 'right',
    }
    return {
      verdict: leans === null ? 'not yet' : verdictOf(leans, tolerance),
      sentence: say(
        leans === null
          ? 'Nothing can be heard in {bars}.'
          : Math.abs(leans) <= tolerance
            ? 'In {bars} left and right are in balance, within {db} dB.'
            : 'In {bars} the mix leans to the {side} by {db} dB.',
        words,
      ),
      place,
      figures:
        leans === null
          ? []
          : [
              {
                name: 'left over right',
                value: `${signedText(leans, 1)} dB`,
                wanted: `within ${tolerance} dB`,
              },
            ],
    }
  },
})
