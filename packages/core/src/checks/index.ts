/** Checks: measurable conditions of a task, each a module of `kinds`, and how they are judged. */
export type {
  Check,
  CheckKind,
  CheckPlace,
  Field,
  FieldValue,
  Figure,
  Finding,
  Setup,
  Values,
  Verdict,
} from './check'
export {
  evidenceOf,
  valueOf,
  secondsOf,
  type CommandNote,
  type Evidence,
  type MoreEvidence,
} from './evidence'
export { CHECK_KINDS } from './kinds'
export { checkProblem, judge, kindOf, startValues } from './judge'
export { audibleBars } from './kinds/fades'
export { say } from './say'
