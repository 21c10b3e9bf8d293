/** A piece of music as notes, whichever way it is written. */
export { readScore } from './read-score'
