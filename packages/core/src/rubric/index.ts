/** Rubrics: lines and levels to mark by, and marks proposed from what was measured. */
export {
  ASPECTS,
  ASPECT_CHECKS,
  restsOn,
  completeRubric,
  RUBRIC_LIMITS,
  usualRubric,
  type Aspect,
  type Criterion,
  type Rubric,
} from './rubric'
export { readRubric } from './read-rubric'
export { proposeMarks, type Proposal } from './propose'
