/** Checks: measurable conditions of a task, each a module of `kinds`, and how they are judged. */
export type { Check, CheckKind, Field, FieldUnit, FieldValue, Setup, Values } from './check'
export { CHECK_KINDS } from './kinds'
export { checkProblem, judge, kindOf, startValues } from './judge'
export { audibleBars } from './kinds/fades'
export { crossed } from './kinds/crossing'
