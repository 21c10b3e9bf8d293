import { useLive } from '../../api/live-store'
import { useDesk } from '../../desk/desk-store'
import { useWork } from '../../document/work-store'
import { usePresence } from './presence-store'
import { t } from '../../words/t'

/**
 * What the teacher gives back, says, points at or takes back is on the bench without looking for it, while the component lives.
 * @param assignment whose bench is open
 */
export function useLessonNews(assignment: () => string): void {
  const desk = useDesk()
  const work = useWork()
  const presence = usePresence()
  useLive().listen(({ kind, data }) => {
    if (kind === 'helped') presence.help = false
    if (data.assignment !== assignment() || work.assignment !== assignment()) return
    if (kind === 'point') {
      const { lane = null, from = 0, to = 0 } = data
      desk.lightUp({ lane, from, to })
      if (data.own) presence.help = false
      work.notice = t('news.pointed')
      return
    }
    void work.refreshVersions().catch(() => null)
    if (kind === 'given back') work.notice = t('news.came-back')
    if (kind === 'reply') work.notice = t('news.answer')
  })
}
