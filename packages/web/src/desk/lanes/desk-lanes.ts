/** Which lanes are on the desk, from top to bottom, and how they share its height. */

import type { Kin } from '../../editor/lane/lane-sign'

/** More than so many lanes would be too low to draw on. */
export const MOST_LANES = 4
/** No lane gets less than this share of the mean height. */
const LEAST_SHARE = 0.45

export interface DeskLane {
  readonly address: string
  /** Collapsed to a line: it is named, not drawn. */
  readonly folded: boolean
  /** Share of the height, relative to the others. */
  readonly share: number
}

export type DeskLanes = readonly DeskLane[]

const lane = (address: string, share = 1): DeskLane => ({ address, folded: false, share })

/** The desk with one lane. */
export const oneLane = (address: string): DeskLanes => [lane(address)]

/** Shows a lane in the place of another, unless it is there already; a folded one unfolds. */
export function showLane(lanes: DeskLanes, instead: string, address: string): DeskLanes {
  if (lanes.some((l) => l.address === address))
    return lanes.map((l) => (l.address === address && l.folded ? { ...l, folded: false } : l))
  const place = lanes.findIndex((l) => l.address === instead)
  return place < 0 ? oneLane(address) : lanes.map((l, i) => (i === place ? lane(address, l.share) : l))
}

/** Adds a lane below another; the same desk where it is full or has it already. */
export function addLane(lanes: DeskLanes, below: string, address: string): DeskLanes {
  if (lanes.length >= MOST_LANES || lanes.some((l) => l.address === address))
    return showLane(lanes, below, address)
  const place = lanes.findIndex((l) => l.address === below) + 1
  return [...lanes.slice(0, place), lane(address), ...lanes.slice(place)]
}

/** Which lane of its family on the desk one is, from top to bottom. */
export function kinOf(lanes: DeskLanes, address: string, familyOf: (address: string) => string): Kin {
  const place = lanes.findIndex((l) => l.address === address)
  const family = familyOf(address)
  const above = lanes.slice(0, Math.max(0, place)).filter((l) => familyOf(l.address) === family)
  return Math.min(above.length, 3) as Kin
}

/** Takes a lane off the desk; the last one stays. */
export function removeLane(lanes: DeskLanes, address: string): DeskLanes {
  return lanes.length > 1 ? lanes.filter((l) => l.address !== address) : lanes
}

/** Folds a lane to a line or unfolds it; one always stays open. */
export function foldLane(lanes: DeskLanes, address: string, folded: boolean): DeskLanes {
  if (folded && lanes.filter((l) => !l.folded).length < 2) return lanes
  return lanes.map((l) => (l.address === address ? { ...l, folded } : l))
}

/** Moves a lane up (−1) or down (1). */
export function moveLane(lanes: DeskLanes, address: string, by: -1 | 1): DeskLanes {
  const from = lanes.findIndex((l) => l.address === address)
  const to = from + by
  if (from < 0 || to < 0 || to >= lanes.length) return lanes
  const moved = [...lanes]
  moved.splice(to, 0, ...moved.splice(from, 1))
  return moved
}

/** Gives a lane more height, at the cost of the next open one below. `by` is a share of the height of all open lanes. */
export function resizeLane(lanes: DeskLanes, address: string, by: number): DeskLanes {
  const from = lanes.findIndex((l) => l.address === address)
  const to = lanes.findIndex((l, i) => i > from && !l.folded)
  if (from < 0 || to < 0 || lanes[from]!.folded) return lanes
  const openLanes = lanes.filter((l) => !l.folded)
  const all = openLanes.reduce((sum, l) => sum + l.share, 0)
  const least = (LEAST_SHARE * all) / openLanes.length
  const [a, b] = [lanes[from]!.share, lanes[to]!.share]
  const more = Math.min(b - least, Math.max(least - a, by * all))
  return lanes.map((l, i) =>
    i === from ? { ...l, share: a + more } : i === to ? { ...l, share: b - more } : l,
  )
}
