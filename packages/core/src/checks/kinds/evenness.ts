import { bars, say, secondsOf, trackName, type Evidence, type Finding } from '../../evidence'
import { energies, loudnessIn, over } from '../../heard'
import { trackLevel } from '../../mix'
import { numberText } from '../../scale'
import { checkKind, choice, number, place, track, unheard } from '../check'
import { rest, within } from './balance'

export const evenness = checkKind({
  kind: 'evenness',
  name: 'Evenness of a ride',
  about: 'From phrase to phrase a track is about as loud, by itself or over the rest.',
  needs: 'sound',
  fields: {
    track: track('Track'),
    from: place('From'),
    to: place('To'),
    phrase: number('A phrase has', 'bars', 2, 1, 16),
    against: choice('Measured', [
      ['rest', 'over the rest'],
      ['itself', 'by itself'],
    ]),
    most: number('Spread of at most', 'LU', 3, 0.5, 20),
  },
  judge(evidence: Evidence, { track, from, to, phrase, against, most }): Finding {
    const { heard, time } = evidence
    const place = { lane: trackLevel(track), from, to }
    const part = heard?.tracks[track]
    if (!heard || !part) return unheard(place)
    const others = rest(heard, track)
    const first = time.meter.placeAt(from).bar
    const last = time.meter.placeAt(to - 1).bar
    const phrases: { bar: number; value: number }[] = []
    for (let bar = first; bar <= last; bar += phrase) {
      const stretch = secondsOf(
        time,
        Math.max(from, time.meter.barStart(bar)),
        Math.min(to, time.meter.barStart(bar + phrase)),
      )
      const relative = over(part, others, stretch)
      if (relative === null) continue
      phrases.push({ bar, value: against === 'rest' ? relative : loudnessIn(energies(part), stretch) })
    }
    if (phrases.length < 2)
      return {
        verdict: 'not yet',
        sentence: say('{name} hardly sounds in {bars}: there is nothing to compare.', {
          name: trackName(evidence, track),
          bars: bars(evidence, from, to),
        }),
        place,
        figures: [],
      }
    const sorted = [...phrases].sort((a, b) => a.value - b.value)
    const [low, high] = [sorted[0]!, sorted.at(-1)!]
    const spread = high.value - low.value
    const words = {
      name: trackName(evidence, track),
      lu: numberText(spread, 1),
      low: low.bar,
      high: high.bar,
    }
    return {
      verdict: within(spread, 0, most, most * 0.6),
      sentence: say(
        spread <= most
          ? '{name} is even from phrase to phrase: {lu} LU between the softest and the loudest.'
          : '{name} still swells and sinks by {lu} LU: softest at bar {low}, loudest at bar {high}.',
        words,
      ),
      place:
        spread <= most
          ? place
          : {
              lane: trackLevel(track),
              from: time.meter.barStart(low.bar),
              to: time.meter.barStart(low.bar + phrase),
            },
      figures: [
        { name: 'spread', value: `${words.lu} LU`, wanted: `at most ${most} LU` },
        { name: 'softest phrase', value: `bar ${low.bar}`, wanted: '' },
        { name: 'loudest phrase', value: `bar ${high.bar}`, wanted: '' },
      ],
    }
  },
})
