import { energies, leftOverRight, loudnessIn, over, together, type Heard } from '../../heard'
import { numberText, signedText } from '../../scale'
import {
  checkKind,
  choice,
  number,
  place,
  track,
  unheard,
  verdictOf,
  type Finding,
  type Verdict,
} from '../check'
import { secondsOf, type Evidence } from '../evidence'
import { bars, say, trackName } from '../say'
import { trackLevel } from '../../mix'

/** Everything but one track. */
const rest = ({ tracks, hops }: Heard, id: string) =>
  together(
    Object.entries(tracks).flatMap(([track, part]) => (track === id ? [] : [part])),
    hops,
  )

/** Whether a value is between two, and nearly. */
function within(value: number, low: number, high: number, margin: number): Verdict {
  const off = value < low ? low - value : value > high ? value - high : 0
  return off === 0 ? 'met' : off <= margin ? 'close' : 'not yet'
}

/** What a check of a track against something else is made of. */
interface Against {
  readonly kind: string
  readonly name: string
  readonly about: string
  readonly low: ReturnType<typeof number>
  readonly high: ReturnType<typeof number>
  /** What the figure is called. */
  readonly figure: string
  readonly others: (heard: Heard, track: string) => Float64Array
  /** The sentence for a track that stands so far over them. */
  readonly sentence: (stands: number, low: number, high: number) => string
}

const against = ({ kind, name, about, low, high, figure, others, sentence }: Against) =>
  checkKind({
    kind,
    name,
    about,
    needs: 'sound',
    fields: { track: track('Track'), from: place('From'), to: place('To'), low, high },
    impossible: ({ low, high }) =>
      low > high ? 'The least is more than the most: nothing can be between them.' : null,
    judge(evidence, { track, from, to, low, high }): Finding {
      const { heard, time } = evidence
      const place = { lane: trackLevel(track), from, to }
      if (!heard) return unheard(place)
      const part = heard.tracks[track]
      const stands = part ? over(part, others(heard, track), secondsOf(time, from, to)) : null
      const words = { name: trackName(evidence, track), bars: bars(evidence, from, to) }
      const wanted = `${signedText(low, 1)} to ${signedText(high, 1)} LU`
      if (stands === null)
        return {
          verdict: 'not yet',
          sentence: say('{name} cannot be heard in {bars}.', words),
          place,
          figures: [{ name: figure, value: 'silent', wanted }],
        }
      return {
        verdict: within(stands, low, high, 2),
        sentence: say(sentence(stands, low, high), { ...words, lu: numberText(Math.abs(stands), 1) }),
        place,
        figures: [{ name: figure, value: `${signedText(stands, 1)} LU`, wanted }],
      }
    },
  })

export const leadOverRest = against({
  kind: 'lead over rest',
  name: 'Balance: one over the rest',
  about: 'Where it sounds, a track stands over everything else by some LU.',
  low: number('At least', 'LU', 0, -30, 30),
  high: number('At most', 'LU', 4, -30, 30),
  figure: 'over the rest',
  others: rest,
  sentence: (stands, low, high) => {
    if (stands < low)
      return stands < 0
        ? 'In {bars} everything else is {lu} LU louder than {name}: it is hard to follow.'
        : 'In {bars} {name} is only {lu} LU over the rest: it could stand out more.'
    if (stands > high)
      return 'In {bars} {name} is {lu} LU over the rest: it stands alone in front of the band.'
    return stands < 0
      ? 'In {bars} {name} is {lu} LU under everything else together: well in the picture.'
      : 'In {bars} {name} is {lu} LU over the rest: easy to follow, and the rest is still there.'
  },
})

export const inTheMix = against({
  kind: 'in the mix',
  name: 'Balance: a track in the mix',
  about: 'Where it sounds, a track is some LU softer than the whole mix.',
  low: number('At least', 'LU', -14, -40, 0),
  high: number('At most', 'LU', -6, -40, 0),
  figure: 'in the mix',
  others: ({ mix }) => energies(mix),
  sentence: (stands, low, high) => {
    if (stands < low) return 'In {bars} {name} is {lu} LU under the mix: it gets lost.'
    if (stands > high)
      return 'In {bars} {name} is {lu} LU under the mix: it is too much in front for what it plays.'
    return 'In {bars} {name} is {lu} LU under the mix: there, and not in the way.'
  },
})

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
