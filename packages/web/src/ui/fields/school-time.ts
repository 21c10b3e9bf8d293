import { TZDate } from '@date-fns/tz'
import { format, isValid, parse } from 'date-fns'

/** A day and a time as fields hold them: `2026-11-29` and `18:05`; a day alone is not a moment yet. */
export interface DayAndTime {
  readonly day: string
  readonly time: string
}

/** A moment as a clock on the wall of the school shows it. */
export function atSchool(iso: string | null, timeZone: string): DayAndTime | null {
  if (!iso) return null
  const there = new TZDate(iso, timeZone)
  return { day: format(there, 'yyyy-MM-dd'), time: format(there, 'HH:mm') }
}

/** What the clock of the school shows, as a moment; null where it is none. */
export function momentOf({ day, time }: DayAndTime, timeZone: string): string | null {
  const [year, month, date] = day.split('-').map(Number)
  const [hour, minute] = time.split(':').map(Number)
  if (!year || !month || !date || hour === undefined || minute === undefined) return null
  const there = new TZDate(year, month - 1, date, hour, minute, timeZone)
  return isValid(there) ? new Date(there.getTime()).toISOString() : null
}

/** A day of a calendar as text; null for none. */
export const dayText = (date: Date | null): string | null => (date ? format(date, 'yyyy-MM-dd') : null)

/** A day as text, as a calendar has it. */
export function dayOf(text: string | null): Date | null {
  const date = text ? parse(text, 'yyyy-MM-dd', new Date(0)) : null
  return date && isValid(date) ? date : null
}

/** "18:05" from what people type: "18:05", "18.05", "1805", "18", "6:05 pm"; null where it is no time. */
export function typedTime(text: string): string | null {
  const found = /^\s*(\d{1,2})(?:[:.h ]?(\d{2}))?\s*(am|pm)?\s*$/i.exec(text)
  if (!found) return null
  const half = found[3]?.toLowerCase()
  const hour = Number(found[1])
  const full = half ? (hour % 12) + (half === 'pm' ? 12 : 0) : hour
  const minute = Number(found[2] ?? 0)
  if (full > 23 || minute > 59 || (half && (hour < 1 || hour > 12))) return null
  return `${String(full).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
}
