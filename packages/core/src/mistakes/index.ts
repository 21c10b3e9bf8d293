/** The usual mistakes: each found by computation, with a sentence, a place, and a repair to try. */
export { mistakeName, type Mistake, type MistakeKind, type Repair, type Severity } from './mistake'
export { MISTAKES, mistakesOf } from './catalogue'
