import { makeMove, READY_MOVES, suits, type ReadyMove } from '@rudlo/core/envelope'
import { allLanes, laneAt, withLineShown, type Address, type Mix } from '@rudlo/core/mix'
import type { Span } from '../../editor/lane/viewport'

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
