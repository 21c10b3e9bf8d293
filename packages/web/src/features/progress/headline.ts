import type { StudentTerm } from '@rudlo/contract/term'
import { mistakeName } from '@rudlo/core/mistakes'
import { t } from '../../words/t'

/** One honest and encouraging sentence about a term so far. */
export function headline({ assignments, mistakes }: Pick<StudentTerm, 'assignments' | 'mistakes'>): string {
  const tasks = assignments.flatMap((a) => a.tasks).filter((x) => x.verdict !== null)
  const met = tasks.filter((x) => x.verdict === 'met').length
  const gone = mistakes.filter((m) => m.gone)
  if (!tasks.length) return t('progress.headline.begin')
  const first = t('progress.headline.met', { met, of: tasks.length })
  if (gone.length) return `${first} ${t('progress.headline.gone', { what: mistakeName(gone[0]!.kind) })}`
  return met === tasks.length ? `${first} ${t('progress.headline.all')}` : first
}
