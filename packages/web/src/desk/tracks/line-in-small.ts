import { compileLine, LineCursor, type Points } from '@rudlo/core/envelope'
import type { Family, Scale } from '@rudlo/core/scale'

const STEPS = 100
const EDGE = 2
/** What a line in small is drawn in. */
export const SMALL = { width: 100, height: 30 } as const

/** A line in small, as a card shows it. */
export interface SmallLine {
  readonly address: string
  readonly name: string
  readonly family: Family
  /** SVG path in {@link SMALL}. */
  readonly path: string
  /** How many points it has. */
  readonly points: number
}

const yOf = (travel: number) => (EDGE + (1 - travel) * (SMALL.height - 2 * EDGE)).toFixed(1)

/** The path of a line's points as it was asked for last: one line changes under a hand, the others stay. */
const known = new WeakMap<Points, { readonly length: number; readonly path: string }>()

/** An SVG path of a whole line in a song of so many ticks: a look every hundredth of the song. */
export function lineInSmall(points: Points, scale: Scale, length: number): string {
  const before = known.get(points)
  if (before?.length === length) return before.path
  const cursor = new LineCursor(compileLine(points, scale))
  const looks = Array.from({ length: STEPS + 1 }, (_, i) => {
    const share = i / STEPS
    return `${(share * SMALL.width).toFixed(1)} ${yOf(cursor.travelAt(share * length))}`
  })
  const path = `M${looks.join('L')}`
  known.set(points, { length, path })
  return path
}

/** A level path at a setting. */
export function settingInSmall(travel: number): string {
  return `M0 ${yOf(travel)}H${SMALL.width}`
}
