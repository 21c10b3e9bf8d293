import { compileLine, LineCursor, type Points } from '../envelope'
import { lineInCharge, resolve, type Address, type Mix } from '../mix'
import type { Scale } from '../scale'
import type { SongTime } from '../song'

/** How far two lines of one control are from each other, in its own unit. */
export interface LineDifference {
  readonly lane: Address
  readonly greatest: number
  /** Where that is, in ticks. */
  readonly at: number
  /** Over time, as seconds pass. */
  readonly mean: number
}

/** What a control does in a mix: its line in charge, or one point at its setting; null where there is no such control. */
export function lineOf(mix: Mix, lane: Address): Points | null {
  const found = resolve(mix, lane)
  if (!found) return null
  const points = lineInCharge(mix, lane)?.points ?? []
  return points.length ? points : [{ tick: 0, value: found.setting, form: 'straight', bend: 0 }]
}

/** Looks between two corners, where forms bend. */
const BETWEEN = 4

/**
 * Compares two lines over a song: at every corner of both and at four places between each two, which are weighed by the
 * seconds that they stand for.
 */
export function lineDifference(
  lane: Address,
  scale: Scale,
  [before, after]: readonly [Points, Points],
  time: SongTime,
): LineDifference {
  const corners = [...new Set([0, time.length, ...before.map((p) => p.tick), ...after.map((p) => p.tick)])]
    .filter((tick) => tick >= 0 && tick <= time.length)
    .sort((a, b) => a - b)
  const readers = [before, after].map((points) => reader(points, scale))
  const apart = (tick: number) => Math.abs(readers[0]!(tick) - readers[1]!(tick))
  let greatest = 0
  let at = 0
  let sum = 0
  const look = (tick: number) => {
    const now = apart(tick)
    if (now > greatest) {
      greatest = now
      at = tick
    }
    return now
  }
  for (let i = 1; i < corners.length; i++) {
    const [from, to] = [corners[i - 1]!, corners[i]!]
    const step = (to - from) / BETWEEN
    look(from)
    for (let k = 0; k < BETWEEN; k++) {
      // in the middle of each part: a jump at its end is none of it
      const seconds = time.tempo.secondsAt(from + (k + 1) * step) - time.tempo.secondsAt(from + k * step)
      sum += look(from + (k + 0.5) * step) * seconds
    }
  }
  look(time.length)
  return { lane, greatest, at, mean: time.seconds > 0 ? sum / time.seconds : 0 }
}

function reader(points: Points, scale: Scale): (tick: number) => number {
  const cursor = new LineCursor(compileLine(points, scale))
  return (tick) => scale.toValue(cursor.travelAt(tick))
}
