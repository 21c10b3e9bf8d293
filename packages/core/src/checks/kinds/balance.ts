import { bars, say, secondsOf, trackName, type Finding, type Verdict } from '../../evidence'
import { over, together, type Heard } from '../../heard'
import { trackLevel } from '../../mix'
import { numberText, signedText } from '../../scale'
import type { number } from '../check'
import { checkKind, place, track, unheard } from '../check'

/** Everything but one track. */
export const rest = ({ tracks, hops }: Heard, id: string) =>
  together(
    Object.entries(tracks).flatMap(([track, part]) => (track === id ? [] : [part])),
    hops,
  )

/** Whether a value is between two, and nearly. */
export function within(value: number, low: number, high: number, margin: number): Verdict {
  const off = value < low ? low - value : value > high ? value - high : 0
  return off === 0 ? 'met' : off <= margin ? 'close' : 'not yet'
}

/** What a check of a track against something else is made of. */
export interface Against {
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

export const against = ({ kind, name, about, low, high, figure, others, sentence }: Against) =>
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
