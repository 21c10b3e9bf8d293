import { laneName, placeText } from '../assess'
import { resolve, type Address } from '../mix'
import { decibels, numberText } from '../scale'
import type { Evidence } from './evidence'

/**
 * Fills a sentence: `{name}` becomes the value of that name, and the sentence begins with a capital. Sentences stand
 * beside what they are about, as whole templates, so that they can be translated as a whole.
 */
export function say(template: string, values: Readonly<Record<string, string | number>> = {}): string {
  const text = template.replace(/\{(\w+)\}/g, (_, name: string) => String(values[name] ?? ''))
  return text[0]!.toUpperCase() + text.slice(1)
}

/** Name of a lane, as people say it. */
export const nameOf = ({ song, mix, start }: Evidence, address: Address): string =>
  laneName(song, resolve(mix, address) ? mix : start, address)

/** Name of a track. */
export const trackName = ({ song }: Evidence, id: string): string =>
  song.tracks.find((t) => t.id === id)?.name ?? id

/** "bar 5, beat 3". */
export const at = ({ time }: Evidence, tick: number): string => placeText(time, tick)

/** "bar 5", or "bars 5 to 8". */
export function bars({ time }: Evidence, from: number, to: number): string {
  const [first, last] = [time.meter.placeAt(from).bar, time.meter.placeAt(Math.max(from, to - 1)).bar]
  return first === last ? `bar ${first}` : `bars ${first} to ${last}`
}

/** A value of a lane in its own unit; of a level "silence" where there is none. */
export function valueText({ mix, start }: Evidence, address: Address, value: number): string {
  const unit = (resolve(mix, address) ?? resolve(start, address))?.control.unit ?? decibels
  return unit === decibels && value <= -90 ? 'silence' : unit.format(value)
}

/** "3.5 dB", "1 bar". */
export const amount = (value: number, unit: string, decimals = 1): string =>
  `${numberText(value, decimals)} ${unit}`

/** "2 beats early", "on time". */
export function lateness(evidence: Evidence, tick: number, wanted: number): string {
  const { beat } = evidence.time.meter.lengthsAt(wanted)
  const beats = (tick - wanted) / beat
  const count = Math.round(Math.abs(beats) * 4) / 4
  if (count === 0) return 'on time'
  return `${numberText(count, count % 1 ? 2 : 0)} ${count === 1 ? 'beat' : 'beats'} ${beats < 0 ? 'early' : 'late'}`
}
