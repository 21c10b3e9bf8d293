import { point } from '@rudlo/core/envelope'
import { PassWriter } from '@rudlo/core/pass'
import { levelScale } from '@rudlo/core/scale'

const TICKS_A_SECOND = 1920
const MINUTES = 5
const CONTROLS = 8

/** Bytes in use, those of typed arrays too. */
function held(): number {
  const { heapUsed, arrayBuffers } = process.memoryUsage()
  return heapUsed + arrayBuffers
}

/** A pass of five minutes on eight controls, told 60 times a second: what is kept of it, and how long its end takes. */
export function longPass(): { readonly ms: number; readonly bytes: number; readonly points: number } {
  const end = MINUTES * 60 * TICKS_A_SECOND
  const lane = { points: [point(0, -6)], scale: levelScale, setting: -6 }
  const rules = { way: 'moved' as const, glideEnd: (t: number) => t + 480, shiftStays: false }
  globalThis.gc?.()
  const before = held()
  const writers = Array.from({ length: CONTROLS }, () => new PassWriter(lane, rules))
  for (let tick = 0; tick < end; tick += TICKS_A_SECOND / 60) {
    for (const [i, writer] of writers.entries())
      writer.feed(tick, true, -12 + 8 * Math.sin((tick / (1500 + 200 * i)) * 0.4) + Math.sin(tick / 97) * 0.3)
  }
  globalThis.gc?.()
  const bytes = held() - before
  const start = performance.now()
  const written = writers.map((w) => w.finish(end))
  return {
    ms: performance.now() - start,
    bytes,
    points: written.reduce((sum, w) => sum + w.points.length, 0),
  }
}
