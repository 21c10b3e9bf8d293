import type { AssignmentCard } from '@rudlo/contract/assignments'
import type { Sign } from '../../ui/marks/sign'
import { t } from '../../words/t'

/** How far somebody is with an assignment, in words, and what the button to go on says. */
export interface Standing {
  readonly text: string
  readonly sign: Sign
  readonly button: string
}

/** For a student how far they are; for a teacher how far the class is. */
export function standingOf({ mine, counts }: AssignmentCard): Standing {
  if (counts) {
    const { students, waiting, held, givenBack } = counts
    const parts = [
      t('home.handed-in', { count: waiting + held + givenBack, of: students }),
      waiting ? t('home.waiting', { count: waiting }) : t('home.none-waiting'),
      ...(held ? [t('home.held', { count: held })] : []),
    ]
    return { text: parts.join(', '), sign: waiting ? 'waiting' : 'done', button: t('home.review') }
  }
  const last = mine?.handIn
  if (!last) {
    return mine?.begun
      ? { text: t('home.going'), sign: 'going', button: t('home.continue') }
      : { text: t('home.new'), sign: 'new', button: t('home.start') }
  }
  const { number } = last
  if (last.state !== 'given back')
    return { text: t('home.with-teacher', { number }), sign: 'waiting', button: t('home.look') }
  if (last.outcome === 'accepted')
    return { text: t('home.accepted', { number }), sign: 'done', button: t('home.see-back') }
  return mine?.changedSince
    ? { text: t('home.working', { number: number + 1 }), sign: 'going', button: t('home.continue') }
    : { text: t('home.came-back', { number }), sign: 'back', button: t('home.see-back') }
}
