import { waysTo } from '../effective'
import { movesOfMix } from '../assess'
import { valueAt } from '../envelope'
import type { Heard, Seconds } from '../heard'
import { lineInCharge, resolve, type Address, type Mix } from '../mix'
import type { Move } from '../moves'
import { songTime, type SongTime, type SongVersion } from '../song'

/** One command of a work's list, as far as it counts here. */
export interface CommandNote {
  readonly lanes: readonly Address[]
  readonly from: number
  readonly to: number
  /** "hand", or the way of writing of a pass. */
  readonly how: string
}

/** One thing that a brief asks for. */
export interface Asked {
  /** Kind of the check: "dip", "fade out" … */
  readonly kind: string
  /** Lanes that it looks at. */
  readonly lanes: readonly Address[]
  /** Ticks. */
  readonly from: number
  readonly to: number
}

/** Everything that a check or a mistake may look at. */
export interface Evidence {
  readonly song: SongVersion
  readonly time: SongTime
  /** The mix that everybody started from. */
  readonly start: Mix
  readonly mix: Mix
  readonly moves: readonly Move[]
  readonly commands: readonly CommandNote[]
  /** The lanes that the brief asks for. */
  readonly open: readonly Address[]
  /** Tracks and returns on which the hand was left writing. */
  readonly writing: readonly string[]
  /** Null where only lines are looked at. */
  readonly heard: Heard | null
  /** The same of the starting mix; null where it is not known. */
  readonly first: Heard | null
  /** What the brief asks for: nobody is accused of that. */
  readonly asked: readonly Asked[]
}

/** What is known besides the two mixes; all of it may be missing. */
export type MoreEvidence = Partial<
  Pick<Evidence, 'commands' | 'open' | 'writing' | 'heard' | 'first' | 'asked'>
>

/** Puts together what is looked at. */
export function evidenceOf(song: SongVersion, start: Mix, mix: Mix, more: MoreEvidence = {}): Evidence {
  const { commands = [], open = [], writing = [], heard = null, first = null, asked = [] } = more
  const moves = movesOfMix(song, mix)
  return { song, time: songTime(song), start, mix, moves, commands, open, writing, heard, first, asked }
}

/** Value of a control at a tick: of its line if one is in charge, else its setting. 0 where there is no such control. */
export function valueOf(mix: Mix, lane: Address, tick: number): number {
  const found = resolve(mix, lane)
  if (!found) return 0
  const line = lineInCharge(mix, lane)
  return line ? valueAt(line.points, found.control.scale, tick) : found.setting
}

/** Whether the brief asks for something of some kinds that this lane can do, about there: within a bar. All kinds, if none are given. */
export function isAsked(
  { asked, time, mix }: Evidence,
  lane: Address,
  from: number,
  to: number,
  kinds?: readonly string[],
): boolean {
  const { bar } = time.meter.lengthsAt(from)
  return asked.some(
    (a) =>
      (!kinds || kinds.includes(a.kind)) &&
      // what names no lane, a build or a loudness, is asked of the whole mix
      (a.lanes.length ? a.lanes.some((l) => waysTo(mix, l).includes(lane)) : kinds !== undefined) &&
      a.from <= to + bar &&
      a.to >= from - bar,
  )
}

/** A stretch of ticks in seconds. */
export function secondsOf({ tempo }: SongTime, from: number, to: number): Seconds {
  return { from: tempo.secondsAt(from), to: tempo.secondsAt(to) }
}

/** Places of a move at which its line is looked at. */
const LOOKS = 200

/** The tick at which a move on its way to its goal has got to a value; its arrival where it never gets so far. */
export function passes({ mix }: Evidence, { lane, start, arrival, depth }: Move, value: number): number {
  const there = (v: number) => (depth < 0 ? v <= value : v >= value)
  for (let k = 0; k < LOOKS; k++) {
    const tick = start + ((arrival - start) * k) / LOOKS
    if (there(valueOf(mix, lane, tick))) return tick
  }
  return arrival
}

/** The move of some kinds on a lane that lies most in a stretch; undefined where none touches it. */
export function moveIn(
  evidence: Evidence,
  lane: Address,
  kinds: readonly Move['kind'][],
  from: number,
  to: number,
): Move | undefined {
  const share = (m: Move) => Math.min(m.end, to) - Math.max(m.start, from)
  return evidence.moves
    .filter((m) => m.lane === lane && kinds.includes(m.kind) && share(m) >= 0)
    .sort((a, b) => share(b) - share(a) || Math.abs(b.depth) - Math.abs(a.depth))[0]
}
