import type { Scale } from '../scale'
import { point, type Point, type Points } from './envelope'

/** How far a thinned line may be from what it stands for: dB, or a share of the travel, whichever is wider. */
const DB = 0.25
const TRAVEL = 0.005

/** A place that a hand went through. */
export interface Sample {
  readonly tick: number
  readonly value: number
}

/**
 * Travel below and above each sample within which a thinned line has to stay. A change in dB is a scaling of travel, so
 * the bound of a level is two products.
 */
function gatesOf(
  samples: readonly Sample[],
  travels: Float64Array,
  scale: Scale,
): { readonly low: Float64Array; readonly high: Float64Array } {
  const low = new Float64Array(travels.length)
  const high = new Float64Array(travels.length)
  const level = scale.kind === 'level'
  const less = level ? scale.toTravel(-DB) / scale.toTravel(0) : 1
  for (let i = 0; i < travels.length; i++) {
    const travel = travels[i]!
    low[i] = travel - TRAVEL
    high[i] = travel + TRAVEL
    if (!level) continue
    const softer = samples[i]!.value - DB <= scale.min ? 0 : travel * less
    low[i] = Math.min(low[i]!, softer)
    high[i] = Math.max(high[i]!, Math.min(1, travel / less))
  }
  return { low, high }
}

/**
 * Few points that stand for what a hand went through: each straight span goes as far as it can while it passes every
 * sample within 0.25 dB or 0.5 % of the travel, whichever is wider. Points are samples, so nothing is invented.
 * One pass over the samples for each span, with the cone of slopes that are still allowed.
 * @param samples in rising time; of several at one tick the last counts
 */
export function thin(samples: readonly Sample[], scale: Scale): Points {
  const line = samples.filter((s, i) => s.tick !== samples[i + 1]?.tick)
  if (line.length < 3) return line.map((s) => point(s.tick, s.value))
  const travels = new Float64Array(line.length)
  for (let i = 0; i < line.length; i++) travels[i] = scale.toTravel(line[i]!.value)
  const gate = gatesOf(line, travels, scale)
  const points: Point[] = [point(line[0]!.tick, line[0]!.value)]
  for (let start = 0; start < line.length - 1;) {
    const { tick } = line[start]!
    const travel = travels[start]!
    let low = -Infinity
    let high = Infinity
    let reached = start + 1
    for (let i = start + 1; i < line.length; i++) {
      const run = line[i]!.tick - tick
      const slope = (travels[i]! - travel) / run
      if (slope >= low && slope <= high) reached = i
      low = Math.max(low, (gate.low[i]! - travel) / run)
      high = Math.min(high, (gate.high[i]! - travel) / run)
      if (low > high) break
    }
    points.push(point(line[reached]!.tick, line[reached]!.value))
    start = reached
  }
  return points
}
