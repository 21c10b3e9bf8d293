import { now } from '../api/clock'

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })
const HOUR = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** "today, 18:40", "yesterday, 18:40" or "Friday 27 November, 18:40". */
export function whenText(iso: string, today = now()): string {
  const at = new Date(iso)
  return `${dayText(at, today)}, ${HOUR.format(at)}`
}

function dayText(at: Date, today: Date): string {
  const days = Math.round((startOfDay(at) - startOfDay(today)) / 86_400_000)
  if (days === 0) return 'today'
  if (days === -1) return 'yesterday'
  if (days === 1) return 'tomorrow'
  return DAY.format(at)
}

function startOfDay(date: Date): number {
  return new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime()
}
