import { bendThrough, type Form } from '@rudlo/core/envelope'
import { t } from '../../words/t'

/** The ways from a point to the next, in the words of a lesson. */
export const FORMS: readonly { readonly text: string; readonly form: Form; readonly bend: number }[] = [
  { text: t('form.straight'), form: 'straight', bend: 0 },
  { text: t('form.early'), form: 'curve', bend: bendThrough(0.8, 8) },
  { text: t('form.late'), form: 'curve', bend: bendThrough(0.2, 8) },
  { text: t('form.soft'), form: 's', bend: 3 },
  { text: t('form.jump'), form: 'jump', bend: 0 },
]
