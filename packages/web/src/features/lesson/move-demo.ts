import { makeMove, READY_MOVES, suits, type MovePlace, type ReadyMove } from '@rudlo/core/envelope'
import { allLanes, laneAt, withLineShown, type Address, type Mix } from '@rudlo/core/mix'

/** The moves that make sense on a lane, in the usual order. */
export const movesOf = (mix: Mix, address: Address): readonly ReadyMove[] => {
  const control = laneAt(mix, address)?.control
  return control ? READY_MOVES.filter((m) => suits(m, control)) : []
}

/** The lanes of a mix on which a move can be shown. */
export const lanesToShow = (mix: Mix): readonly Address[] =>
  allLanes(mix).filter((address) => movesOf(mix, address).length > 0)

/**
 * A mix with one move made on a lane, to be shown and heard beside the mix without it.
 */
export function withMove(mix: Mix, address: Address, place: MovePlace, move: ReadyMove): Mix {
  const lane = laneAt(mix, address)
  if (!lane) return mix
  const points = makeMove(lane.points, lane.control, place, move)
  return withLineShown(mix, address, points)
}
