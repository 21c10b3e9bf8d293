import type { Deed } from '@rudlo/contract/people'
import { t } from '../../../words/t'

type Dashed<T extends string> = T extends `${infer A} ${infer B}` ? `${A}-${Dashed<B>}` : T

/** What somebody did, in words. */
export const deedName = (deed: Deed): string => t(`deed.${deed.replaceAll(' ', '-') as Dashed<Deed>}`)
