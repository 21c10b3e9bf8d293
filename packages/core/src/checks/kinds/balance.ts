import { words } from '@rudlo/words'
import {
  amount,
  between,
  say,
  secondsOf,
  span,
  trackOf,
  word,
  type Finding,
  type Verdict,
} from '../../evidence'
import { over, together, type Heard } from '../../heard'
import { trackLevel } from '../../mix'
import type { number } from '../check'
import { checkKind, place, track, unheard } from '../check'
import { found } from '../conclude'

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
  readonly low: ReturnType<typeof number>
  readonly high: ReturnType<typeof number>
  /** Key of its figure and of its sentences. */
  readonly key: string
  readonly others: (heard: Heard, track: string) => Float64Array
}

/** Nearer than this is as loud as, in LU. */
const AS_LOUD = 0.75

export const against = ({ kind, low, high, key, others }: Against) =>
  checkKind({
    kind,
    needs: 'sound',
    fields: { track: track('track'), from: place('from'), to: place('to'), low, high },
    impossible: ({ low, high }) => (low > high ? words('impossible.least-more-most') : null),
    judge(evidence, { track, from, to, low, high }): Finding {
      const { heard, time } = evidence
      const place = { lane: trackLevel(track), from, to }
      if (!heard) return unheard(place)
      const part = heard.tracks[track]
      const stands = part ? over(part, others(heard, track), secondsOf(time, from, to)) : null
      const names = { name: trackOf(track), bars: span(from, to) }
      const wanted = between(amount(low, 'LU'), amount(high, 'LU'))
      if (stands === null)
        return found('not yet', say('check.balance.silent', names), place, [
          { name: key, value: word('silence'), wanted },
        ])
      const off = stands < low ? low - stands : stands > high ? stands - high : 0
      const how = stands < low ? 'soft' : stands > high ? 'loud' : 'met'
      // how it stands by itself, beside what is asked
      const beside = Math.abs(stands) < AS_LOUD ? 'as' : stands < 0 ? 'under' : 'over'
      const parts = { ...names, by: amount(Math.abs(stands), 'dB'), off: amount(off, 'dB') }
      return found(within(stands, low, high, 2), say(`check.${key}.${how}-${beside}`, parts), place, [
        { name: key, value: amount(stands, 'LU'), wanted },
      ])
    },
  })
