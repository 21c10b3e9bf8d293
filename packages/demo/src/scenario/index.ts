/** The demo scenario: an evening class, one assignment, and work of very different quality. */
export * from './people'
export { at } from './lines'
export { startingMix, TITLE, BRIEF, RUBRIC, SQUEEZEBOX, TIDE } from './assignment'
export { HAND_INS, BEGUN, type PlannedHandIn, type PlannedReview } from './hand-ins'
