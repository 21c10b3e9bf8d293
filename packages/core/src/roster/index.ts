/** Rosters: lists of students as schools have them, and sign-in names made of their names. */
export {
  readRoster,
  readTable,
  ROSTER_LIMITS,
  type Roster,
  type RosterProblem,
  type RosterRow,
} from './read-roster'
export { readOneRoster, type RosterClass } from './one-roster'
export { freshSignInName, SIGN_IN_NAME } from './sign-in-name'
