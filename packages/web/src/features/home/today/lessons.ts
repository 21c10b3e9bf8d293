import type { TodayGroup } from '@rudlo/contract/term'

/** A lesson that comes, and when; null where nobody said when the class meets. */
export interface ComingLesson {
  readonly group: TodayGroup
  readonly at: Date | null
}

const DAY = 24 * 3_600_000
/** A lesson goes on for so long: until then it is the next one. */
const LASTS = 90 * 60_000

/** When a class has its next lesson, by the clock of this device. */
export function nextLessonAt(
  { day, time }: { readonly day: number; readonly time: string },
  now: Date,
): Date {
  const [hours, minutes] = time.split(':').map(Number)
  const at = new Date(now)
  at.setHours(hours!, minutes!, 0, 0)
  const ahead = (day - at.getDay() + 7) % 7
  at.setDate(at.getDate() + ahead)
  if (now.getTime() - at.getTime() > LASTS) at.setDate(at.getDate() + 7)
  return at
}

/** The lessons of some classes, the next one first; classes without a time last. */
export const lessonsOf = (groups: readonly TodayGroup[], now: Date): ComingLesson[] =>
  groups
    .map((group) => ({ group, at: group.lesson ? nextLessonAt(group.lesson, now) : null }))
    .sort((a, b) => (a.at?.getTime() ?? Infinity) - (b.at?.getTime() ?? Infinity) || 0)

/** Whether a lesson is today or tomorrow. */
export const isNear = (at: Date, now: Date): boolean => at.getTime() - now.getTime() < 2 * DAY
