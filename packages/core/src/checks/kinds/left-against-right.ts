import { type Finding, amount, say, secondsOf, span, wanted, word } from '../../evidence'
import { leftOverRight } from '../../heard'
import { checkKind, number, place, unheard, verdictOf } from '../check'
import { found } from '../conclude'

export const leftAgainstRight = checkKind({
  kind: 'left against right',
  needs: 'sound',
  fields: {
    from: place('from'),
    to: place('to'),
    tolerance: number('leans', 'dB', 2, 0.5, 20),
  },
  judge(evidence, { from, to, tolerance }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const leans = leftOverRight(heard.mix, secondsOf(time, from, to))
    const bars = span(from, to)
    if (leans === null) return found('not yet', say('check.sides.silent', { bars }), place)
    const verdict = verdictOf(leans, tolerance)
    const side = word(leans > 0 ? 'side.left' : 'side.right')
    const parts = { bars, side, by: amount(Math.abs(leans), 'dB') }
    return found(verdict, say(verdict === 'met' ? 'check.sides.met' : 'check.sides.leans', parts), place, [
      {
        name: 'left-over-right',
        value: amount(leans, 'dB'),
        wanted: wanted('most', amount(tolerance, 'dB')),
      },
    ])
  },
})
