import { type Finding, bars, say, secondsOf } from '../../evidence'
import { energies, loudnessIn } from '../../heard'
import { numberText } from '../../scale'
import { checkKind, number, place, unheard, verdictOf } from '../check'

export const loudness = checkKind({
  kind: 'loudness',
  name: 'Loudness of a span',
  about: 'Some bars of the mix measure about so many LUFS.',
  needs: 'sound',
  fields: {
    from: place('From'),
    to: place('To'),
    value: number('Loudness', 'LUFS', -18, -60, 0),
    tolerance: number('Give or take', 'LU', 2, 0.5, 20),
  },
  judge(evidence, { from, to, value, tolerance }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const now = loudnessIn(energies(heard.mix), secondsOf(time, from, to))
    const words = {
      bars: bars(evidence, from, to),
      lufs: Number.isFinite(now) ? numberText(now, 1) : 'silent',
    }
    return {
      verdict: Number.isFinite(now) ? verdictOf(now - value, tolerance) : 'not yet',
      sentence: Number.isFinite(now)
        ? say('{bars} measure {lufs} LUFS.', words)
        : say('Nothing can be heard in {bars}.', words),
      place,
      figures: [{ name: 'loudness', value: `${words.lufs} LUFS`, wanted: `${value} ± ${tolerance}` }],
    }
  },
})
