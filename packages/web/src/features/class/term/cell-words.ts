import type { TermCell } from '@rudlo/contract/term'
import type { Sign } from '../../../ui/marks/sign'
import { lateText } from '../../../words/late'
import { t } from '../../../words/t'

/** The form in which a cell is shown. */
export function signOf({ state, missing }: Pick<TermCell, 'state' | 'missing'>): Sign {
  if (missing) return 'missing'
  const signs = {
    'not begun': 'new',
    begun: 'going',
    waiting: 'waiting',
    held: 'held',
    again: 'back',
    accepted: 'done',
    excused: 'excused',
  } as const
  return signs[state]
}

/** What a cell says, in words. */
export function cellText(cell: TermCell): string {
  const { state, missing, stopped, late, tasks, number } = cell
  const met = tasks.filter((v) => v === 'met').length
  return [
    missing
      ? t(state === 'begun' ? 'term.state.missing-begun' : 'term.state.missing')
      : t(`term.state.${state}`),
    ...(number > 1 ? [t('term.version', { number })] : []),
    ...(stopped && !missing ? [t('term.stopped')] : []),
    ...(tasks.length ? [t('term.met', { met, of: tasks.length })] : []),
    ...(late > 0 ? [lateText(late)] : []),
    ...(cell.extended ? [t('term.extended')] : []),
  ].join(', ')
}
