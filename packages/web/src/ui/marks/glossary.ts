import type { MessageKey } from '@rudlo/words/language'
import { messageKeys, t } from '../../words/t'
import type { Term } from './terms'

type Says = Extract<MessageKey, `term.${string}.says`>
type Name = Says extends `term.${infer N}.says` ? N : never

let terms: readonly Term[] | null = null

/** The trade words of the glossary, with what each means: every pair of keys `term.…` and `term.….says`. */
export const glossary = (): readonly Term[] =>
  (terms ??= messageKeys()
    .flatMap((key) => /^term\.(.+)\.says$/.exec(key)?.[1] ?? [])
    .map((name) => ({ word: t(`term.${name as Name}`), says: t(`term.${name as Name}.says`) })))
