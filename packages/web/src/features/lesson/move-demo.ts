import { makeMove, READY_MOVES, suits, type ReadyMove } from '@rudlo/core/envelope'
import { allLanes, laneAt, withLineShown, type Address, type Mix } from '@rudlo/core/mix'
import type { Span } from '../../editor/lane/viewport'

/** What a class is told of a move, in a sentence. */
export const MOVE_WORDS: Readonly<Record<ReadyMove, string>> = {
  'fade in': 'It comes out of silence, until it is as loud as it should be.',
  'fade out': 'It goes down to silence, and arrives there.',
  lift: 'It steps forward for a while, and goes back.',
  dip: 'It makes room for a while, and comes back.',
  build: 'It grows slowly at first, then faster, towards what comes next.',
  throw: 'Only this moment is sent to the effect; then it is dry again.',
  sweep: 'It travels from one end to the other.',
}

/** The moves that make sense on a lane, in the usual order. */
export const movesOf = (mix: Mix, address: Address): readonly ReadyMove[] => {
  const control = laneAt(mix, address)?.control
  return control ? READY_MOVES.filter((m) => suits(m, control.scale, control.family)) : []
}

/** The lanes of a mix on which a move can be shown. */
export const lanesToShow = (mix: Mix): readonly Address[] =>
  allLanes(mix).filter((address) => movesOf(mix, address).length > 0)

/**
 * A mix with one move made on a lane, to be shown and heard beside the mix without it.
 * @param span in ticks
 * @param beat ticks of a beat there
 */
export function withMove(mix: Mix, address: Address, span: Span, move: ReadyMove, beat: number): Mix {
  const lane = laneAt(mix, address)
  if (!lane) return mix
  const points = makeMove(lane.points, lane.control.scale, span, move, beat)
  return withLineShown(mix, address, points)
}
