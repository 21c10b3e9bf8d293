/** Moves: the recognisable events in an envelope, found, named and measured. */
export { MOVE_KINDS, type Move, type MoveKind, type MoveForm } from './move'
export { hysteresis } from './swings'
export { findMoves } from './find'
