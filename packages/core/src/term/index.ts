/** The figures of a term: what is counted of hand-ins, students and classes, each defined once. */
export { bestVersion, type Weighed } from './best-version'
export {
  figuresOf,
  overruledFigures,
  verdictOfTask,
  type CheckFigures,
  type HandInFigures,
  type Measured,
  type MeasuredUnit,
  type MistakeFigures,
  type TaskFigures,
} from './figures'
export {
  best,
  type SmallBalance,
  type SmallBuild,
  type SmallFade,
  type SmallPictures,
} from './small-pictures'
export {
  STANDINGS,
  standingOfOne,
  STOPPED_DAYS,
  type Progress,
  type StandingOfOne,
  type StandingState,
} from './standing'
export { HELP_COUNTS, HELP_LOOKS_AT, needsHelp, type HelpSign } from './help'
export { commonestMistakes, type CommonMistake, type Counted, type MistakeAt } from './commonest'
export { median, stripsOf, type MeasuredAt, type Strip } from './measured'
export { nextLessons, type LessonKey, type NextLesson } from './next-lesson'
export { minutesByWeek, mistakesOverTerm, type MistakeOverTerm } from './development'
