import { words } from '@rudlo/words'
import type { MeterMap, Place } from './meter-map'

/** "9.1", or "9.1+240" between beats. */
export function placeShort({ bar, beat, tick }: Place): string {
  return `${bar}.${beat}${tick ? `+${tick}` : ''}`
}

/** "bar 9, beat 1", or "bar 9, beat 1½" and the like between beats. */
export function placeInWords(meter: MeterMap, at: number): string {
  const { bar, beat, tick } = meter.placeAt(at)
  return words('place.beat', { bar, beat: `${beat}${fractionText(tick / meter.lengthsAt(at).beat)}` })
}

/** "bar 9, beat 1": the beat that is going on, for a place that moves. */
export function beatInWords(meter: MeterMap, at: number): string {
  const { bar, beat } = meter.placeAt(at)
  return words('place.beat', { bar, beat })
}

function fractionText(fraction: number): string {
  if (fraction === 0) return ''
  const quarters = ['', '¼', '½', '¾']
  const exact = quarters[fraction * 4]
  return exact ?? (fraction < 0.01 ? '' : fraction.toFixed(2).slice(1))
}

/**
 * Reads a place as people type it: "17", "17.3", "17 3", "17.3+240".
 * @returns the tick, or null where the text is no place
 */
export function parsePlace(meter: MeterMap, text: string): number | null {
  const match =
    /^\s*(?:bar\s*)?(\d{1,5})(?:\s*[.,: ]\s*(?:beat\s*)?(\d{1,2}))?(?:\s*\+\s*(\d{1,4}))?\s*$/i.exec(text)
  if (!match) return null
  const bar = Number(match[1])
  const beat = Number(match[2] ?? 1)
  const tick = Number(match[3] ?? 0)
  if (bar < 1 || beat < 1) return null
  const start = meter.barStart(bar)
  const { beat: beatTicks, bar: barTicks } = meter.lengthsAt(start)
  if (beat > barTicks / beatTicks || tick >= beatTicks) return null
  return meter.tickOf({ bar, beat, tick })
}

/** "0:32.5": minutes, seconds and tenths. */
export function clockText(seconds: number): string {
  const tenths = Math.floor(Math.max(0, seconds) * 10 + 1e-6)
  const minutes = Math.floor(tenths / 600)
  const rest = tenths - minutes * 600
  return `${minutes}:${String(Math.floor(rest / 10)).padStart(2, '0')}.${rest % 10}`
}
