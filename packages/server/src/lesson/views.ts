import type { InLesson } from '@rudlo/contract/lesson'
import { textOf } from '../http/moment'
import type { PresenceRow } from './queries'

export const inLessonView = ({ seenAt, actedAt, helpAt, shows, ...row }: PresenceRow): InLesson => ({
  ...row,
  seenAt: textOf(seenAt),
  actedAt: textOf(actedAt),
  helpAt: textOf(helpAt),
  shows: Boolean(shows),
})
