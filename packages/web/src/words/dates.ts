import { now } from '../browser/clock'
import { locale } from './language'

const NEAR = new Intl.RelativeTimeFormat(locale, { numeric: 'auto' })

const formatsIn = (timeZone?: string) => ({
  day: new Intl.DateTimeFormat(locale, { weekday: 'long', day: 'numeric', month: 'long', timeZone }),
  short: new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone }),
  hour: new Intl.DateTimeFormat(locale, { hour: 'numeric', minute: '2-digit', timeZone }),
  // written year first: days can be counted
  plain: new Intl.DateTimeFormat('en-CA', { timeZone }),
})
let formats = formatsIn()

/** From now on dates and times are those on the wall of the school. @param timeZone its IANA name */
export function tellTimeOf(timeZone: string): void {
  formats = formatsIn(timeZone)
}

/** "today, 18:40", "yesterday, 18:40" or "Friday 27 November, 18:40", as this person writes it. */
export function whenText(iso: string, today = now()): string {
  const at = new Date(iso)
  return `${dayText(at, today)}, ${hourText(at)}`
}

/** "18:40": the hour on the wall of the school. */
export const hourText = (at: Date): string => formats.hour.format(at)

/** "today", "tomorrow" or "Friday 27 November". */
export function dayText(at: Date, today = now()): string {
  const days = Math.round((midnight(at) - midnight(today)) / 86_400_000)
  return Math.abs(days) <= 1 ? NEAR.format(days, 'day') : formats.day.format(at)
}

/** The day of a moment, to count by. */
const midnight = (date: Date): number => Date.parse(formats.plain.format(date))

/** A length of time as a clock shows it: "1:21", "1:02:05". @param seconds of any fraction */
export function lengthText(seconds: number): string {
  const whole = Math.round(seconds)
  const two = (n: number) => String(n).padStart(2, '0')
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60]
  return h ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`
}

/** "27 Nov": a day in a narrow place. */
export const shortDay = (at: Date): string => formats.short.format(at)

/** "Thursday". @param day from 0 for Sunday */
export const weekdayName = (day: number): string =>
  // the first of February 2026 was a Sunday
  new Intl.DateTimeFormat(locale, { weekday: 'long', timeZone: 'UTC' }).format(
    new Date(Date.UTC(2026, 1, 1 + day)),
  )

/** "today", "yesterday" or "27 Nov". */
export const nearDay = (at: Date, today = now()): string =>
  Math.abs(midnight(at) - midnight(today)) <= 86_400_000 ? dayText(at, today) : shortDay(at)
