/** What answers are made of: lines that are set or ridden, and mixes with them. */
import { point, type Points } from '../../../src/envelope'
import { withPoints, type Address, type Mix } from '../../../src/mix'
import { levelScale } from '../../../src/scale'
import type { Values } from '../../../src/checks'
import type { Chance } from '../../drawn/hand'
import { start } from '../../drawn/mistakes'
import { barTick as at, SONG_BARS } from '../../drawn/moves'
import { recorded, ridden, someHand } from '../rider'
import type { Loud } from './listen'

export interface Answer {
  readonly name: string
  readonly kind: string
  readonly values: Values
  readonly mix: Mix
  /** Whether a teacher would call it done. */
  readonly right: boolean
  /** Whether a teacher would call it nearly done: right in kind, and off by something. */
  readonly near: boolean
  /** Whether the sound was reached by something else than what was asked about. */
  readonly other: boolean
  /** Mistakes that it has all the same: a teacher would name them. */
  readonly deserved: readonly string[]
  /** How loud its tracks are, where the sound is asked about. */
  readonly loud?: Readonly<Record<string, Loud>> | undefined
}

export type Made = Pick<Answer, 'values' | 'mix'>
export type Maker = (c: Chance) => Made
export interface Task {
  readonly right: readonly Maker[]
  readonly others: readonly Maker[]
  /** Wrong, and of these the ones that come near. */
  readonly wrong: readonly Maker[]
  readonly near: readonly number[]
  readonly loud?: Readonly<Record<string, Loud>>
}

export const REED = 'track/reed/level'
export const PAD = 'track/pad/level'
export const SEND = 'send/to-hall/level'
export const BEAT = 960
export const TICKS_A_SECOND = 1920
export const END = at(SONG_BARS + 1)
/** A bar of the song at 120, in frames. */
export const BAR_FRAMES = 2 * 44_100

/** Where a line goes: between two ticks to a value in dB. */
export type Way = readonly [from: number, to: number, value: number]

/** A line of points that goes so. */
export const set = (first: number, ways: readonly Way[]): Points => [
  point(0, first),
  ...ways.flatMap(([from, to, value], i) => [point(from, i ? ways[i - 1]![2] : first), point(to, value)]),
]
export const jumps = (...all: readonly (readonly [tick: number, value: number])[]): Points =>
  all.map(([tick, value]) => point(tick, value, 'jump'))

/** The same, ridden by somebody's hand. Slow ways are even for the ear of the fader, quick ones start and end gently. */
export function rode(c: Chance, first: number, ways: readonly Way[]): Points {
  const plans = ways.map(([from, to, value]) => ({
    from: from / TICKS_A_SECOND,
    to: to / TICKS_A_SECOND,
    height: levelScale.toTravel(value),
  }))
  // whoever answers a task listens: half the delay of somebody who does not
  const hand = someHand(c)
  const samples = ridden(
    levelScale.toTravel(first),
    plans,
    END / TICKS_A_SECOND,
    { ...hand, delay: hand.delay / 2 },
    c,
  )
  const points: Points = recorded(samples, hand).map((s) =>
    point(Math.round(s.at * TICKS_A_SECOND), levelScale.toValue(s.height)),
  )
  return points
}

/** Set or ridden. */
export const made = (c: Chance, first: number, ways: readonly Way[]) =>
  c.next() < 0.5 ? set(first, ways) : rode(c, first, ways)

export const lines = (all: Readonly<Record<Address, Points>>, mix: Mix = start): Mix =>
  Object.entries(all).reduce((m, [lane, points], i) => withPoints(m, lane, points, () => `l${i}`), mix)

export const region = (change: { fadeIn?: number; fadeOut?: number; length?: number }): Mix => ({
  ...start,
  tracks: start.tracks.map((t) =>
    t.id === 'reed' ? { ...t, regions: t.regions.map((r) => ({ ...r, ...change })) } : t,
  ),
})

/** A bar of the song, so many bars before its end. */
export const bar = (c: Chance, least = 4, most = 20) => at(c.whole(least, most))

/** Makes answers of what is asked: each asks anew. */
export const asking =
  <A extends { readonly values: Values }>(ask: (c: Chance) => A) =>
  (mix: (asked: A) => Mix): Maker =>
  (c) => {
    const asked = ask(c)
    return { values: asked.values, mix: mix(asked) }
  }
