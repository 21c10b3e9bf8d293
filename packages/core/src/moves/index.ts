/** Moves: the recognisable events in an envelope, found, named and measured. */
export type { Move, MoveKind, MoveForm } from './move'
export { runsOf, type Run } from './runs'
export { findMoves } from './find'
