/** Songs written as scores in code, and the players that turn them into sound. */
export { faster } from './faster'
export { eveningFerry } from './evening-ferry'
export { lanterns } from './lanterns'
export { playPart, scoreTicks, type PlayedPart } from './play-score'
export { songVersionOf } from './song-version'
export { writtenPart } from './written-part'
export { soundingStretches, type Stretch } from './sounding'
export { melody, type Part, type Score, type WrittenNote } from './score'
