import { useIntervalFn } from '@vueuse/core'
import { useLive } from '../../api/live-store'
import { useLesson } from './lesson-store'

/** While the line is open it is looked so seldom: who has gone away, and that a work is still looked at. */
const SELDOM_MS = 10_000
/** So often the class and the work that is looked at are asked for while the line is not open. */
const REFRESH_MS = 3000
const FOLLOW_MS = 1200

/** What happens in the class is on the page without looking for it, while the component lives. */
export function useClassroomNews(): void {
  const lesson = useLesson()
  const live = useLive()
  const refresh = () => void lesson.refresh().catch(() => null)
  const follow = () => void lesson.follow().catch(() => null)

  live.listen(({ kind, data }) => {
    if (kind === 'help' || kind === 'presence') refresh()
    if (kind === 'work' && data.assignment === lesson.opened?.id) follow()
  })
  useIntervalFn(() => live.connected || refresh(), REFRESH_MS)
  useIntervalFn(() => live.connected || follow(), FOLLOW_MS)
  useIntervalFn(() => {
    refresh()
    follow()
  }, SELDOM_MS)
}
