import { point, type Points } from '@rudlo/core/envelope'
import type { Address } from '@rudlo/core/mix'
import type { PlannedWork } from '../term/assignment'

/** How a beginner's answer differs from a good one. */
export type Hand =
  | 'good'
  /** Every move comes most of a bar too late. */
  | 'late'
  /** Every move goes half of the way. */
  | 'short'
  /** It moves there and never comes back. */
  | 'stays'
  /** One point at either end: it drifts. */
  | 'drifts'
  /** The last move is a cut. */
  | 'cut'
  /** The right line in far too many points. */
  | 'crowded'

type Lines = PlannedWork['lines']
type Settings = Readonly<Record<Address, number>>

/** Ticks by which a late move is late. */
const LATE = 3200
const SILENCE = -90

/**
 * A number from −1 to 1 that is always the same for the same words: two students never draw the same line, and the demo is the same
 * every time.
 */
export function wobble(...words: readonly (string | number)[]): number {
  let hash = 2166136261
  for (const sign of words.join('/')) hash = Math.imul(hash ^ sign.charCodeAt(0), 16777619) >>> 0
  return (hash % 2001) / 1000 - 1
}

/** A value a little beside another one, as the same control takes it. */
function beside(address: Address, value: number, by: number): number {
  if (address.endsWith('/pan')) return Math.max(-1, Math.min(1, Math.round((value + by * 0.05) * 100) / 100))
  if (address.endsWith('/frequency')) return Math.round(value * (1 + by * 0.08))
  return value <= SILENCE ? SILENCE : Math.max(SILENCE, Math.min(6, Math.round((value + by * 0.6) * 10) / 10))
}

/** A move that goes half of the way: what should be silent is still there. */
function halfway(from: number, to: number): number {
  if (to <= SILENCE) return STILL_THERE
  return from <= SILENCE ? to - 4 : (from + to) / 2
}
const STILL_THERE = -34

/** The same line with a point in every quarter of a beat. */
const crowded = (points: Points): Points =>
  points.flatMap((p, i) => {
    const next = points[i + 1]
    const steps = next ? Math.max(1, Math.floor((next.tick - p.tick) / EVERY)) : 1
    return Array.from({ length: steps }, (_, k) =>
      point(
        p.tick + k * EVERY,
        next ? p.value + ((next.value - p.value) * k * EVERY) / (next.tick - p.tick) : p.value,
      ),
    )
  })
const EVERY = 240

function drawn(hand: Hand, points: Points): Points {
  const [first, ...rest] = points
  const last = rest.at(-1)
  if (!first || !last) return points
  switch (hand) {
    case 'good':
      return points
    case 'late':
      return [
        first,
        ...rest.map((p, i) => ({ ...p, tick: p.tick + (i === rest.length - 1 ? LATE / 2 : LATE) })),
      ]
    case 'short':
      return [first, ...rest.map((p) => ({ ...p, value: halfway(first.value, p.value) }))]
    case 'stays':
      return points.slice(0, Math.max(2, Math.ceil(points.length / 2)))
    case 'drifts':
      return [
        first,
        points.reduce((far, p) =>
          Math.abs(p.value - first.value) > Math.abs(far.value - first.value) ? p : far,
        ),
      ]
    case 'cut': {
      const before = points.at(-2)!
      return [...points.slice(0, -2), point(before.tick, before.value, 'jump'), last]
    }
    case 'crowded':
      return crowded(points)
  }
}

/** Points in order, none before the song and no two at one place. */
const inOrder = (points: Points): Points =>
  [...points].sort((a, b) => a.tick - b.tick).filter((p, i, all) => i === 0 || p.tick > all[i - 1]!.tick)

/** What somebody makes of a good answer. @param who and when: whose hand it is */
export function madeBy(
  hand: Hand,
  good: { readonly lines: Lines; readonly settings?: Settings },
  who: string,
): { readonly lines: Lines; readonly settings: Settings } {
  const lines = Object.entries(good.lines).map(([address, points]): [Address, Points] => {
    const isSwitched = points.some((p) => p.form === 'jump')
    // a throw is opened and shut: it has no form to be drawn badly in many points, and a sweep none in dB
    const crowds = address.endsWith('/level') && !isSwitched
    const made = drawn(hand === 'crowded' && !crowds ? 'late' : hand, points)
    // places at rest stay at rest: one value of a line is off by the same everywhere
    const own = made.map((p) => ({ ...p, value: beside(address, p.value, wobble(who, address, p.value)) }))
    return [address, inOrder(own)]
  })
  const settings = Object.entries(good.settings ?? {})
    // whoever does half of it sets half of the faders
    .filter((_, i) => hand === 'good' || hand === 'crowded' || i % 2 === 0)
    .map(([address, value]): [Address, number] => [
      address,
      beside(address, hand === 'short' || hand === 'stays' ? value / 2 : value, wobble(who, address)),
    ])
  return { lines: Object.fromEntries(lines), settings: Object.fromEntries(settings) }
}
