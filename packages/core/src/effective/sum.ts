import { point, valueAt, type Point, type Points } from '../envelope'
import { lineInCharge, resolve, type Address, type Mix } from '../mix'
import { clamp, levelScale, SILENCE_DB, type Scale } from '../scale'

/** Something that makes louder or softer: dB at a tick, and the ticks between which it is smooth. */
export interface Stage {
  /** What does it; null for regions, which no control moves. */
  readonly address: Address | null
  /** dB at a tick, and just before it; −Infinity for silence. */
  at(tick: number): number
  /** Where it bends or jumps. */
  readonly corners: readonly number[]
  /** Whether it is smooth but not straight between two corners. */
  readonly curved: boolean
}

/** A way between two corners that is not straight is looked at in so many places. */
const LOOKS = 12
/** A jump takes this long, in ticks: shorter than anybody hears. */
const JUMP = 1

/**
 * What several stages do together, as a line in dB. A line that stays straight stays one span; where several move, or one is
 * curved, it is followed closely.
 * @param length of the song in ticks
 */
export function sumOf(stages: readonly Stage[], length: number): Points {
  const corners = [...new Set([0, length, ...stages.flatMap((s) => s.corners)])]
    .filter((t) => t >= 0 && t <= length)
    .sort((a, b) => a - b)
  const value = (tick: number) => {
    const db = stages.reduce((sum, s) => sum + s.at(tick), 0)
    return Number.isFinite(db) ? clamp(db, SILENCE_DB, levelScale.max) : SILENCE_DB
  }
  const moving = (from: number, to: number) => stages.filter((s) => s.at(from) !== s.at(to))
  const line: Point[] = []
  const add = (tick: number) => {
    if (tick > (line.at(-1)?.tick ?? -1)) line.push(point(tick, value(tick)))
  }
  corners.forEach((from, i) => {
    add(from)
    const to = corners[i + 1]
    if (to === undefined) return
    const smooth = moving(from, to - JUMP)
    if (smooth.length > 1 || smooth.some((s) => s.curved)) {
      const looks = Math.min(LOOKS, Math.floor((to - from) / 2))
      for (let k = 1; k < looks; k++) add(Math.round(from + ((to - from) * k) / looks))
    }
    // what jumps at the next corner keeps its value until then
    if (to - JUMP > from && moving(to - JUMP, to).length) add(to - JUMP)
  })
  return line
}

/** A control as a stage, by its line if one is in charge, else its setting. @param dbOf what a value is in dB */
export function controlStage(
  mix: Mix,
  address: Address,
  dbOf: (value: number) => number = (value) => (value <= SILENCE_DB ? -Infinity : value),
): Stage {
  const found = resolve(mix, address)
  const line = found && lineInCharge(mix, address)
  if (!found || !line) {
    const db = found ? dbOf(found.setting) : 0
    return { address, at: () => db, corners: [], curved: false }
  }
  const { scale } = found.control
  return {
    address,
    at: (tick) => dbOf(valueAt(line.points, scale, tick)),
    corners: line.points.map((p) => p.tick),
    curved: isCurved(line.points, scale),
  }
}

/** Straight lines of a level stay straight in dB's own scale; all others have to be followed. */
const isCurved = (points: Points, scale: Scale) =>
  scale !== levelScale || points.some((p) => p.form === 'curve' || p.form === 's')
