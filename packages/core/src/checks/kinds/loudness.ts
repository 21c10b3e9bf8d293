import { type Finding, amount, say, secondsOf, span, wanted, word } from '../../evidence'
import { energies, loudnessIn } from '../../heard'
import { checkKind, number, place, unheard, verdictOf } from '../check'
import { found } from '../conclude'

export const loudness = checkKind({
  kind: 'loudness',
  needs: 'sound',
  fields: {
    from: place('from'),
    to: place('to'),
    value: number('loudness', 'LUFS', -18, -60, 0),
    tolerance: number('give-or-take', 'LU', 2, 0.5, 20),
  },
  judge(evidence, { from, to, value, tolerance }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const now = loudnessIn(energies(heard.mix), secondsOf(time, from, to))
    const heardAt = Number.isFinite(now)
    const verdict = heardAt ? verdictOf(now - value, tolerance) : 'not yet'
    const key = !heardAt ? 'silent' : verdict === 'met' ? 'met' : now < value ? 'soft' : 'loud'
    const parts = { bars: span(from, to), off: amount(heardAt ? Math.abs(now - value) : 0, 'dB') }
    return found(verdict, say(`check.loudness.${key}`, parts), place, [
      {
        name: 'loudness',
        value: heardAt ? amount(now, 'LUFS') : word('silence'),
        wanted: wanted('about', amount(value, 'LUFS')),
      },
    ])
  },
})
