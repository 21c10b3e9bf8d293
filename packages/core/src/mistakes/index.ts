/** The usual mistakes: each found by computation, with a sentence, a place, and a repair to try. */
export type { Mistake, MistakeKind, Repair, Severity } from './mistake'
export { MISTAKES, mistakesOf } from './catalogue'
