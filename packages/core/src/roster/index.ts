/** Rosters: lists of students as schools have them, and sign-in names made of their names. */
export {
  ROSTER_COLUMNS,
  readRoster,
  readTable,
  ROSTER_LIMITS,
  type Roster,
  type RosterColumn,
  type RosterColumns,
  type RosterProblem,
  type RosterRow,
} from './read-roster'
export { readOneRoster, type RosterClass } from './one-roster'
export {
  matchRoster,
  type KnownStudent,
  type Match,
  type MatchedRoster,
  type MatchedRow,
} from './match-roster'
export { freshSignInName, SIGN_IN_NAME } from './sign-in-name'
