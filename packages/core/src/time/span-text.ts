import type { MeterMap } from './meter-map'
import { parsePlace, placeShort } from './place-text'

/** A stretch of a song in ticks; it ends where the next one begins. */
interface Stretch {
  readonly from: number
  readonly to: number
}

/** Two numbers, whichever word or dash stands between them. */
const NUMBERS = /\d+(?:[.,]\d+)?/g

/**
 * A stretch as people say it, without the words: whole bars by their numbers, both included; anything else by its two places.
 * @param length of the song in ticks: a stretch may end there in the middle of a bar
 */
export function spanShort(
  { from, to }: Stretch,
  meter: MeterMap,
  length: number,
): readonly [string, string?] {
  const first = meter.placeAt(from)
  const last = meter.placeAt(Math.max(from, to - 1))
  const isWhole = meter.barStart(first.bar) === from && (to >= length || meter.barStart(last.bar + 1) === to)
  if (!isWhole) return [placeShort(first), placeShort(meter.placeAt(to))]
  return first.bar === last.bar ? [String(first.bar)] : [String(first.bar), String(last.bar)]
}

/**
 * What somebody types: "5 to 8", "5-8" and "5" are whole bars, "5.3 to 8.1" is from beat to beat.
 * @returns null where it is no stretch of this song
 */
export function parseSpan(meter: MeterMap, text: string, length: number): Stretch | null {
  const typed = text.match(NUMBERS)?.map((n) => n.replace(',', '.')) ?? []
  const [first, last = first] = typed
  if (!first || !last || typed.length > 2) return null
  const isWhole = typed.every((n) => !n.includes('.'))
  const from = parsePlace(meter, first)
  const to = isWhole ? meter.barStart(Number(last) + 1) : parsePlace(meter, last)
  if (from === null || to === null || from >= length) return null
  // the last bar may be cut short by the end of the song
  const end = Math.min(length, to)
  if (isWhole && meter.barStart(Number(last)) >= length) return null
  return end > from ? { from, to: end } : null
}
