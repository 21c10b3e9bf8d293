/** Passes: writing lines by moving controls while the song plays. */
export { WAYS, type Way } from './way'
export { PassWriter, type PassRules, type PassLane, type Written } from './pass-writer'
