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

/** Travel below and above a value within which a thinned line has to stay. */
function gate({ value }: Sample, scale: Scale): [low: number, high: number] {
  const travel = scale.toTravel(value)
  if (scale.kind !== 'level') return [travel - TRAVEL, travel + TRAVEL]
  return [
    Math.min(travel - TRAVEL, scale.toTravel(value - DB)),
    Math.max(travel + TRAVEL, scale.toTravel(Math.min(scale.max, value + DB))),
  ]
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
  const gates = line.map((s) => gate(s, scale))
  const travels = line.map((s) => scale.toTravel(s.value))
  const points: Point[] = [point(line[0]!.tick, line[0]!.value)]
  for (let start = 0; start < line.length - 1;) {
    let low = -Infinity
    let high = Infinity
    let reached = start + 1
    for (let i = start + 1; i < line.length; i++) {
      const run = line[i]!.tick - line[start]!.tick
      const slope = (travels[i]! - travels[start]!) / run
      if (slope >= low && slope <= high) reached = i
      low = Math.max(low, (gates[i]![0] - travels[start]!) / run)
      high = Math.min(high, (gates[i]![1] - travels[start]!) / run)
      if (low > high) break
    }
    points.push(point(line[reached]!.tick, line[reached]!.value))
    start = reached
  }
  return points
}
