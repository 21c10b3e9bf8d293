import { bendThrough, type Form } from '@rudlo/core/envelope'
import { t } from '../../words/t'

export type FormKey = 'straight' | 'early' | 'late' | 'soft' | 'jump'

/** The ways from a point to the next, in the words of a lesson. */
export const FORMS: readonly {
  readonly key: FormKey
  readonly text: string
  readonly form: Form
  readonly bend: number
}[] = [
  { key: 'straight', text: t('form.straight'), form: 'straight', bend: 0 },
  { key: 'early', text: t('form.early'), form: 'curve', bend: bendThrough(0.8, 8) },
  { key: 'late', text: t('form.late'), form: 'curve', bend: bendThrough(0.2, 8) },
  { key: 'soft', text: t('form.soft'), form: 's', bend: 3 },
  { key: 'jump', text: t('form.jump'), form: 'jump', bend: 0 },
]
