/** Songs written as scores in code, and the players that turn them into sound. */
export { eveningFerry } from './evening-ferry'
export { playPart, scoreTicks, type PlayedPart } from './play-score'
export { soundingStretches, type Stretch } from './sounding'
export { melody, type Part, type Score, type WrittenNote } from './score'
