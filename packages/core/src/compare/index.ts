/** Comparing mixes of one song: what changed, in figures and in words; many lines at once; who has the same. */
export {
  compareMixes,
  type BalanceChange,
  type Difference,
  type MoveChange,
  type PartChange,
  type SettingChange,
  type Version,
} from './compare'
export { changedIn } from './changed-in'
export { sayChanges, sayDifference, sayLineDifference } from './describe'
export { lineDifference, lineOf, type LineDifference } from './line-difference'
export { matchMoves, type MovePair } from './match-moves'
export { middleHalf, quantile, type MiddleHalf } from './crowd'
export { fingerprint } from './same-lines'
