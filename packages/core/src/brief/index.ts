/** Briefs: tasks with checks and hints, what a student may know of them, and tasks proposed from a model. */
export {
  ANSWER_TIMES,
  completeBrief,
  atBench,
  forStudent,
  HINT_LEVELS,
  type AnswerTime,
  type Brief,
  type BriefTask,
  type StudentBrief,
  type StudentTask,
} from './brief'
export { BRIEF_LIMITS, readBrief } from './read-brief'
export { askedOf, judgeTasks, needsSound, verdictOfAll, type JudgedCheck, type JudgedTask } from './verdicts'
export {
  assess,
  assessWork,
  storedMistake,
  type Assessed,
  type Assessment,
  type FoundMistake,
  type ToAssess,
} from './assessment'
export { hintLine } from './hint-line'
export { tasksFromModel, type FreshId } from './from-model'
export { briefOnSong, matchTracks, type BarSpan, type BriefDifference, type BriefOnSong } from './on-song'
export { LESSONS, type Lesson } from './lessons'
export { soundsOf, type PeakOf, type Sounds } from './sounds'
export {
  MOST_OVERRULES,
  overruled,
  refOfCheck,
  refOfMark,
  refOfMistake,
  WHY_LENGTH,
  type Overrule,
  type Overrules,
} from './overrule'
