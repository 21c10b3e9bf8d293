import { point, type Form, type Points } from '@rudlo/core/envelope'

/** Tick of a bar and beat of the demo song, which is in four throughout. */
export function at(bar: number, beat = 1): number {
  return Math.round(((bar - 1) * 4 + (beat - 1)) * 960)
}

/** A line written as a person would say it: place, dB, and the form of the way to the next point. */
export type WrittenPoint = readonly [tick: number, db: number, form?: Form, bend?: number]

export function line(...written: readonly WrittenPoint[]): Points {
  return written.map(([tick, db, form, bend]) => point(tick, db, form, bend))
}

/** A line as an unsteady hand draws it: a point every few ticks along another line, each a little off. */
export function drawnByHand(points: readonly WrittenPoint[], every: number): Points {
  const drawn: WrittenPoint[] = []
  for (let i = 0; i + 1 < points.length; i++) {
    const [from, a] = points[i]!
    const [to, b] = points[i + 1]!
    const steps = Math.max(1, Math.round((to - from) / every))
    for (let k = 0; k < steps; k++) {
      const wobble = ((drawn.length * 37) % 11) / 10 - 0.5
      const db = Math.max(-90, Math.min(6, a + ((b - a) * k) / steps + wobble))
      drawn.push([Math.round(from + ((to - from) * k) / steps), Math.round(db * 10) / 10])
    }
  }
  drawn.push(points.at(-1)!)
  return line(...drawn)
}
