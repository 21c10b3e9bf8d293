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
  const low = travels.map((t) => t - TRAVEL)
  const high = travels.map((t) => t + TRAVEL)
  if (scale.kind !== 'level') return { low, high }
  const less = scale.toTravel(-DB) / scale.toTravel(0)
  for (let i = 0; i < travels.length; i++) {
    const softer = samples[i]!.value - DB <= scale.min ? 0 : travels[i]! * less
    low[i] = Math.min(low[i]!, softer)
    high[i] = Math.max(high[i]!, Math.min(1, travels[i]! / less))
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
  const again = (s: Sample, i: number) => s.tick === samples[i + 1]?.tick
  const line = samples.some(again) ? samples.filter((s, i) => !again(s, i)) : samples
  if (line.length < 3) return line.map((s) => point(s.tick, s.value))
  const travels = Float64Array.from(line, (s) => scale.toTravel(s.value))
  const gate = gatesOf(line, travels, scale)
  const points: Point[] = [point(line[0]!.tick, line[0]!.value)]
  for (let start = 0; start < line.length - 1;) {
    let low = -Infinity
    let high = Infinity
    let reached = start + 1
    for (let i = start + 1; i < line.length; i++) {
      const run = line[i]!.tick - line[start]!.tick
      const slope = (travels[i]! - travels[start]!) / run
      if (slope >= low && slope <= high) reached = i
      low = Math.max(low, (gate.low[i]! - travels[start]!) / run)
      high = Math.min(high, (gate.high[i]! - travels[start]!) / run)
      if (low > high) break
    }
    points.push(point(line[reached]!.tick, line[reached]!.value))
    start = reached
  }
  return points
}
