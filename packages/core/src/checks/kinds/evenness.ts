import {
  amount,
  at,
  say,
  secondsOf,
  span,
  trackOf,
  wanted,
  type Evidence,
  type Finding,
} from '../../evidence'
import { energies, loudnessIn, over } from '../../heard'
import { trackLevel } from '../../mix'
import { checkKind, choice, number, place, track, unheard } from '../check'
import { found } from '../conclude'
import { rest, within } from './balance'

export const evenness = checkKind({
  kind: 'evenness',
  needs: 'sound',
  fields: {
    track: track('track'),
    from: place('from'),
    to: place('to'),
    phrase: number('phrase', 'bars', 2, 1, 16),
    against: choice('measured', ['rest', 'itself']),
    most: number('spread', 'LU', 3, 0.5, 20),
  },
  judge(evidence: Evidence, { track, from, to, phrase, against, most }): Finding {
    const { heard, time } = evidence
    const place = { lane: trackLevel(track), from, to }
    const part = heard?.tracks[track]
    if (!heard || !part) return unheard(place)
    const others = rest(heard, track)
    const first = time.meter.placeAt(from).bar
    const last = time.meter.placeAt(to - 1).bar
    const phrases: { tick: number; value: number }[] = []
    for (let bar = first; bar <= last; bar += phrase) {
      const tick = Math.max(from, time.meter.barStart(bar))
      const stretch = secondsOf(time, tick, Math.min(to, time.meter.barStart(bar + phrase)))
      const relative = over(part, others, stretch)
      if (relative === null) continue
      phrases.push({ tick, value: against === 'rest' ? relative : loudnessIn(energies(part), stretch) })
    }
    const names = { name: trackOf(track), bars: span(from, to) }
    if (phrases.length < 2) return found('not yet', say('check.evenness.silent', names), place)
    const sorted = [...phrases].sort((a, b) => a.value - b.value)
    const [low, high] = [sorted[0]!, sorted.at(-1)!]
    const spread = high.value - low.value
    const even = spread <= most
    const parts = { ...names, spread: amount(spread, 'dB'), low: at(low.tick), high: at(high.tick) }
    return found(
      within(spread, 0, most, most * 0.6),
      say(even ? 'check.evenness.met' : 'check.evenness.uneven', parts),
      even
        ? place
        : { ...place, from: low.tick, to: time.meter.barStart(time.meter.placeAt(low.tick).bar + phrase) },
      [
        { name: 'spread', value: amount(spread, 'LU'), wanted: wanted('most', amount(most, 'LU')) },
        { name: 'softest-phrase', value: at(low.tick), wanted: null },
        { name: 'loudest-phrase', value: at(high.tick), wanted: null },
      ],
    )
  },
})
