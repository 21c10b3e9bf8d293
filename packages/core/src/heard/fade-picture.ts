import { lufsOfEnergy } from '../loudness'
import type { Scale } from '../scale'
import type { SongTime } from '../song'
import { DEEPEST, GATE, hopsAround, hundredth, lossOf } from './loss'
import { energies, HOPS, type Part } from './part'

/** A fade as it is drawn: where it goes on a lane, and between which values of its control. */
export interface DrawnFade {
  /** Ticks. */
  readonly start: number
  readonly end: number
  /** Values of the control at both ends. */
  readonly from: number
  readonly to: number
}

/** What of a fade is heard, every 100 ms. Plain data, kept as JSON. Losses are in LU, 0 and below; null where nothing could be heard. */
export interface FadePicture {
  readonly way: 'in' | 'out'
  /** The drawn fade, in ticks. */
  readonly start: number
  readonly end: number
  /** The first hop that is shown, of ten a second from the start of the song. */
  readonly first: number
  /** How much softer it is than with its line held at its loud end. */
  readonly loss: readonly (number | null)[]
  /** The same of a fade that is straight in travel over the same stretch; null outside it. */
  readonly even: readonly (number | null)[]
  /** The tick at which it begins to be heard that something moves: 1 LU below the loud end. Null where it is never heard. */
  readonly heard: number | null
  /** The tick at which it is gone, or comes out of nothing: 40 LU below, or under the gate of −70 LUFS. Null where it never is. */
  readonly gone: number | null
  /** The longest stretch of it on which nothing moves, in ticks; null where it moves all the time. */
  readonly still: { readonly from: number; readonly to: number } | null
  /** Where it moves most while it is still clearly heard (30 LU below at the most): a tick, and how many LU a second. Null where it never moves. */
  readonly steepest: { readonly tick: number; readonly speed: number } | null
}

/** Loss in LU at which a fade is first heard, and at which it is gone. */
const HEARD = 1
const GONE = 40
/** What goes on further down than this is hardly followed: a fade to silence ends steeply in dB, whoever draws it. */
const CLEAR = 30
/** It stands still where it moves less than this, in LU a second; a rest of less than so many hops is none. */
const STILL = 0.5
const SHORTEST_REST = 5

/** Places of the hops that move, from a place to the next, in LU a second; null where one of both is not heard. */
const speeds = (loss: readonly (number | null)[]): (number | null)[] =>
  loss.slice(1).map((now, i) => {
    const before = loss[i]
    return now === null || before === null || before === undefined ? null : Math.abs(now - before) * HOPS
  })

/** The longest run of places where a condition holds, as [first, after the last]; null where it never does. */
function longestRun(count: number, holds: (i: number) => boolean): readonly [number, number] | null {
  let best: readonly [number, number] | null = null
  let from = -1
  for (let i = 0; i <= count; i++) {
    if (i < count && holds(i)) {
      if (from < 0) from = i
    } else if (from >= 0) {
      if (!best || i - from > best[1] - best[0]) best = [from, i]
      from = -1
    }
  }
  return best
}

/**
 * What of a fade is heard: how much softer the sound is than it would be with the line held at its loud end, beside the even fade.
 * What else changes in the song cancels out.
 * @param played what sounds, with the line
 * @param held the same with the line held at its loud end
 * @param scale of the control that fades; in dB, since an even fade of anything else is not told from its line
 */
export function fadePicture(
  time: SongTime,
  fade: DrawnFade,
  played: Part,
  held: Part,
  scale: Scale,
): FadePicture {
  const way = fade.to < fade.from ? 'out' : 'in'
  const loud = Math.max(fade.from, fade.to)
  const [with_, without] = [energies(played), energies(held)]
  const [first, last] = hopsAround(time, fade, with_.length)
  const loss: (number | null)[] = []
  const even: (number | null)[] = []
  for (let hop = first; hop < last; hop++) {
    loss.push(lossOf(with_[hop]!, without[hop]!))
    const tick = time.tempo.tickAt((hop + 0.5) / HOPS)
    even.push(tick < fade.start || tick > fade.end ? null : evenLoss(fade, scale, tick, loud))
  }
  const tickOf = (place: number) => Math.round(time.tempo.tickAt((first + place) / HOPS))
  const soft = (l: number | null, hop: number) =>
    l !== null && (l <= -GONE || lufsOfEnergy(with_[first + hop]!) < GATE)
  const moved = (l: number | null) => l !== null && l <= -HEARD
  // a fade in is a fade out that is read from its end
  const heard = way === 'out' ? loss.findIndex(moved) : loss.findLastIndex(moved)
  const gone = way === 'out' ? loss.findIndex(soft) : loss.findLastIndex(soft)
  const speed = speeds(loss)
  const inside = (i: number) => tickOf(i) >= fade.start && tickOf(i + 1) <= fade.end && !soft(loss[i]!, i)
  const rest = longestRun(speed.length, (i) => inside(i) && speed[i] !== null && speed[i]! < STILL)
  const clear = (i: number) => inside(i) && (loss[i + 1] ?? -Infinity) > -CLEAR
  const top = speed.reduce<number>((best, s, i) => (clear(i) && (s ?? 0) > (speed[best] ?? 0) ? i : best), 0)
  const edge = way === 'out' ? 0 : 1
  return {
    way,
    start: fade.start,
    end: fade.end,
    first,
    loss: loss.map(hundredth),
    even: even.map(hundredth),
    heard: heard < 0 ? null : tickOf(heard + edge),
    gone: gone < 0 ? null : tickOf(gone + edge),
    still: rest && rest[1] - rest[0] >= SHORTEST_REST ? { from: tickOf(rest[0]), to: tickOf(rest[1]) } : null,
    steepest: speed[top] ? { tick: tickOf(top), speed: Math.round(speed[top] * 10) / 10 } : null,
  }
}

/** Loss of the even fade at a tick: straight in travel from one end to the other, in dB below the loud one. */
function evenLoss({ start, end, from, to }: DrawnFade, scale: Scale, tick: number, loud: number): number {
  const share = (tick - start) / Math.max(1, end - start)
  const value = scale.toValue(scale.toTravel(from) + share * (scale.toTravel(to) - scale.toTravel(from)))
  return Math.max(DEEPEST, value - loud)
}
