/**
 * Lines as people draw and ride them, for tests of what recognises moves and mistakes. Written from how hands behave: it
 * shares no code and no threshold with what it tests.
 */

/** Random numbers that are the same in every run. */
export class Chance {
  #state: number

  constructor(seed: number) {
    this.#state = (seed * 2_654_435_761 + 97) % 2_147_483_647 || 1
  }

  /** 0…1. */
  next(): number {
    this.#state = (this.#state * 48_271) % 2_147_483_647
    return this.#state / 2_147_483_647
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.next()
  }

  whole(low: number, high: number): number {
    return Math.floor(this.between(low, high + 1))
  }

  one<T>(list: readonly T[]): T {
    return list[Math.min(list.length - 1, Math.floor(this.next() * list.length))]!
  }

  /** About normal, with this deviation. */
  off(by: number): number {
    return (this.next() + this.next() + this.next() - 1.5) * by * 1.15
  }
}

export interface DrawnPoint {
  readonly tick: number
  readonly value: number
  readonly form: 'straight' | 'curve' | 's' | 'jump'
  readonly bend: number
}

/** A place that the hand means to go through. */
export interface Aim {
  readonly tick: number
  readonly value: number
  /** Whether it gets here from the aim before in an instant. */
  readonly at?: 'once'
}

/** How a line is made. */
export type Manner = 'points' | 'curves' | 'pass' | 'freehand'
export const MANNERS: readonly Manner[] = ['points', 'curves', 'pass', 'freehand']

const straight = (tick: number, value: number): DrawnPoint => ({
  tick: Math.round(tick),
  value,
  form: 'straight',
  bend: 0,
})

/** Goes through the aims in some manner: set points, points with bends, a ridden fader, a freehand stroke. */
export function drawn(
  aims: readonly Aim[],
  manner: Manner,
  chance: Chance,
  low: number,
  high: number,
): DrawnPoint[] {
  const fits = (v: number) => Math.min(high, Math.max(low, v))
  const span = high - low
  const line: DrawnPoint[] = []
  aims.forEach((aim, i) => {
    const next = aims[i + 1]
    const { tick } = aim
    const value = fits(aim.value)
    if (next?.at === 'once') return line.push({ tick: Math.round(tick), value, form: 'jump', bend: 0 })
    if (!next || manner === 'points') return line.push(straight(tick, value))
    if (manner === 'curves') {
      const form = chance.one(['curve', 's', 'straight'] as const)
      const bend = form === 's' ? chance.between(0.5, 4) : form === 'curve' ? chance.between(-3, 3) : 0
      return line.push({ tick: Math.round(tick), value, form, bend })
    }
    // a hand that rides: a place every so often, a little off, speeding up and slowing down
    const every = manner === 'pass' ? 96 : 240
    const wobble = (manner === 'pass' ? 0.0022 : 0.004) * span
    line.push(straight(tick, value))
    for (let t = tick + every; t < next.tick - every / 2; t += every) {
      const u = (t - tick) / (next.tick - tick)
      const eased = u + 0.08 * Math.sin(2 * Math.PI * u) * (manner === 'pass' ? 1 : 0)
      const target = value + (fits(next.value) - value) * eased
      const calm = value === fits(next.value) ? 0.4 : 1
      // at the very ends a fader stands still
      const edge = value <= low + span * 0.002 && next.value <= low + span * 0.002 ? 0 : 1
      line.push(straight(t, fits(target + edge * calm * chance.off(wobble))))
    }
  })
  // a jump stays sharp: what comes right before it keeps its value
  return line.filter((p, i) => i === line.length - 1 || p.tick < line[i + 1]!.tick)
}
