import { barsText } from '../../assess'
import { log } from '../../maths'
import { energies, brightness, loudnessIn } from '../../heard'
import { numberText } from '../../scale'
import { type Finding, type Verdict, amount, at, bars, say, secondsOf } from '../../evidence'
import { checkKind, number, place, unheard, verdictOf, weakest, choice } from '../check'

const LN2 = 0.6931471805599453

const SAY = {
  flat: 'From {from} to {to} it does not build: the lines make it {gain} {unit} {more} at the end than at the start.',
  stairs:
    'It grows by {gain} {unit}, but not steadily: only {share} of {count} bars are {more} than the one before.',
  early: 'It grows by {gain} {unit}, and is at its highest in bar {top}, before it should arrive.',
  fades: 'It grows by {gain} {unit}, but what follows is {drop} LU quieter: the arrival falls flat.',
  met: 'From {from} it grows by {gain} {unit} over {bars} and arrives at {to}.',
} as const

/** Bars of a stretch, as [start, end) in ticks. */
function barsOf(
  meter: { placeAt(t: number): { bar: number }; barStart(b: number): number },
  from: number,
  to: number,
) {
  const first = meter.placeAt(from).bar
  const last = meter.placeAt(Math.max(from, to - 1)).bar
  return Array.from(
    { length: last - first + 1 },
    (_, i) =>
      [Math.max(from, meter.barStart(first + i)), Math.min(to, meter.barStart(first + i + 1))] as const,
  )
}

export const build = checkKind({
  kind: 'build',
  name: 'Build',
  about:
    'The lines make it grow bar by bar and arrive at a place, and what follows is not quieter. By loudness, or by how bright it gets.',
  needs: 'sound',
  fields: {
    from: place('Grows from'),
    to: place('Arrives at'),
    by: choice('Grows in', [
      ['loudness', 'loudness'],
      ['brightness', 'brightness (a filter that opens)'],
    ]),
    least: number('By at least', 'LU, or tenths of an octave', 4, 0.5, 40),
    steady: number('Bars that grow', '%', 70, 10, 100),
  },
  impossible: ({ from, to }, song) =>
    to <= from
      ? 'A build arrives after it begins.'
      : to > song.length
        ? 'It arrives after the end of the song.'
        : null,
  judge(evidence, { from, to, by, least, steady }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const bright = by === 'brightness'
    const [moved, still] = [energies(heard.mix), energies(heard.still)]
    const stretches = barsOf(time.meter, from, to)
    const values = stretches.map(([a, b]) => {
      const stretch = secondsOf(time, a, b)
      if (!bright) return Math.max(-60, loudnessIn(moved, stretch) - loudnessIn(still, stretch))
      const [now, before] = [brightness(heard.mix, stretch), brightness(heard.still, stretch)]
      return now && before ? (10 * log(now / before)) / LN2 : 0
    })
    const gain = values.at(-1)! - values[0]!
    const grows = values.slice(1).filter((v, i) => v > values[i]!).length
    const share = values.length > 1 ? (100 * grows) / (values.length - 1) : 100
    const top = values.indexOf(Math.max(...values))
    const after = secondsOf(time, to, Math.min(time.length, to + time.meter.lengthsAt(to).bar))
    const last = secondsOf(time, stretches.at(-1)![0], to)
    const drop = to < time.length ? loudnessIn(moved, last) - loudnessIn(moved, after) : 0
    const enough: Verdict = gain >= least ? 'met' : gain >= least * 0.6 ? 'close' : 'not yet'
    const steadily =
      verdictOf(Math.max(0, steady - share), 0.01) === 'met'
        ? 'met'
        : share >= steady * 0.7
          ? 'close'
          : 'not yet'
    const arrives: Verdict = top >= values.length - 1 ? 'met' : top >= values.length - 2 ? 'close' : 'not yet'
    const follows: Verdict = drop <= 1 ? 'met' : drop <= 3 ? 'close' : 'not yet'
    const unit = bright ? 'tenths of an octave' : 'LU'
    const words = {
      from: at(evidence, from),
      to: at(evidence, to),
      gain: numberText(gain, 1),
      unit,
      more: bright ? 'brighter' : 'louder',
      share: grows,
      count: values.length - 1,
      top: time.meter.placeAt(stretches[Math.max(0, top)]![0]).bar,
      drop: numberText(drop, 1),
      bars: barsText(time.meter.barsBetween(from, to)),
    }
    const template =
      enough !== 'met'
        ? SAY.flat
        : steadily !== 'met'
          ? SAY.stairs
          : arrives !== 'met'
            ? SAY.early
            : follows !== 'met'
              ? SAY.fades
              : SAY.met
    return {
      verdict: weakest(enough, steadily, arrives, follows),
      sentence: say(template, words),
      place,
      figures: [
        { name: 'grows by', value: amount(gain, unit), wanted: `at least ${least}` },
        { name: 'a bar', value: amount(gain / Math.max(1, values.length - 1), unit), wanted: '' },
        { name: 'bars that grow', value: `${Math.round(share)} %`, wanted: `at least ${steady} %` },
        { name: 'what follows', value: `${numberText(-drop, 1)} LU`, wanted: 'not quieter' },
        { name: 'where', value: bars(evidence, from, to), wanted: '' },
      ],
    }
  },
})
