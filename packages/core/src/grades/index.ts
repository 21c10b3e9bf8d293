/** Marks of a term in the school's own scale, and the tables that a school's system reads. */
export {
  GRADE_KINDS,
  GRADE_LIMITS,
  gradeNumber,
  gradeText,
  mostOf,
  USUAL_LETTERS,
  type GradeLetter,
  type GradeScale,
} from './scale'
export {
  MISSING_RULES,
  overallOf,
  shareOfMarks,
  type Graded,
  type GradeRule,
  type MissingRule,
  type Overall,
} from './overall'
export { readScheme, usualScheme, type GradeScheme } from './scheme'
export { oneRosterResults, type LineItem, type Result, type ResultsOf } from './one-roster'
