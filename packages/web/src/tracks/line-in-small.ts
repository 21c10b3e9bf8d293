import { compileLine, LineCursor, type Points } from '@rudlo/core/envelope'
import type { Scale } from '@rudlo/core/scale'

const STEPS = 100
const EDGE = 2

const yOf = (travel: number, height: number) => (EDGE + (1 - travel) * (height - 2 * EDGE)).toFixed(1)

/** The path of a line's points as it was asked for last: one line changes under a hand, the others stay. */
const known = new WeakMap<Points, { readonly size: string; readonly path: string }>()

/** An SVG path of a whole line: a look every hundredth of the song, and every jump upright. */
export function lineInSmall(
  points: Points,
  scale: Scale,
  length: number,
  width: number,
  height: number,
): string {
  const size = `${length} ${width} ${height}`
  const before = known.get(points)
  if (before?.size === size) return before.path
  const path = trace(points, scale, length, width, height)
  known.set(points, { size, path })
  return path
}

function trace(points: Points, scale: Scale, length: number, width: number, height: number): string {
  const cursor = new LineCursor(compileLine(points, scale))
  const looks = Array.from({ length: STEPS + 1 }, (_, i) => {
    const share = i / STEPS
    return `${(share * width).toFixed(1)} ${yOf(cursor.travelAt(share * length), height)}`
  })
  return `M${looks.join('L')}`
}

/** A level path at a setting. */
export function settingInSmall(travel: number, width: number, height: number): string {
  return `M0 ${yOf(travel, height)}H${width}`
}
