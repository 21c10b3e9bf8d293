import { lineInCharge, resolve, trackLevel, type Address, type Mix } from '../mix'
import { findMoves, type Move } from '../moves'
import { songTime, type SongVersion } from '../song'
import { isDry } from './dry'
import type { DrawnFade } from './fade-picture'

/** A stretch of the song, in ticks. */
export interface Ticks {
  readonly from: number
  readonly to: number
}

/** Where a fade goes, and on which lane. */
export type FadeOnLane = DrawnFade & Pick<Move, 'lane'>

/** A picture that is asked for. Plain data: workers are asked by it. */
export type PictureAsked =
  | { readonly kind: 'fade'; readonly fade: FadeOnLane }
  | { readonly kind: 'crossing'; readonly leaves: FadeOnLane; readonly comes: FadeOnLane }
  | ({
      readonly kind: 'build'
      /** Whether it should grow; otherwise it is only looked at what the lines do bar by bar. */
      readonly grows: boolean
    } & Ticks)
  | { readonly kind: 'balance' }

/** What pictures are made for: a task, or just a lane in the whole song. */
export interface PictureTask extends Ticks {
  readonly lanes: readonly Address[]
  readonly checks: readonly {
    readonly kind: string
    readonly values: Readonly<Record<string, unknown>>
  }[]
}

/** Moves that are faded by: they go on for longer than a jump, and to or from somewhere softer. */
const FADES: readonly Move['kind'][] = ['fade in', 'fade out', 'rise', 'fall', 'drop', 'build']
/** Checks whose answer is the balance of the whole. */
const BALANCES: readonly string[] = ['lead over rest', 'in the mix']

/** The fades on one lane, in order; none where it is no level of a track, or no line is in charge. */
export function fadesOn(song: SongVersion, mix: Mix, lane: Address): readonly Move[] {
  const found = resolve(mix, lane)
  const line = lineInCharge(mix, lane)
  const isTrack = mix.tracks.some((track) => track.id === found?.owner)
  if (!found || !line || !isTrack || found.control.scale.kind !== 'level') return []
  const moves = findMoves(lane, line.points, found.control.scale, songTime(song), song.sections)
  return moves.filter((move) => FADES.includes(move.kind))
}

const touches = (move: Move, { from, to }: Ticks) => move.start < to && move.end > from
/** How much of a move lies in a stretch, in ticks. */
const within = (move: Move, { from, to }: Ticks) => Math.min(move.end, to) - Math.max(move.start, from)
const isOut = ({ from, to }: DrawnFade) => to < from
const fadeOf = ({ lane, start, end, from, to }: Move): FadeOnLane => ({ lane, start, end, from, to })

/** Where a build is asked for; null where it is not. */
function buildIn({ checks }: PictureTask): Ticks | null {
  const values = checks.find((c) => c.kind === 'build')?.values
  const [from, to] = [values?.['from'], values?.['to']]
  return typeof from === 'number' && typeof to === 'number' && to > from ? { from, to } : null
}

/** The two fades that cross where a task asks for it; null where one of both is not there yet. */
function crossingIn(song: SongVersion, mix: Mix, task: PictureTask): readonly [Move, Move] | null {
  const values = task.checks.find((c) => c.kind === 'crossing')?.values
  if (!values) return null
  const of = (track: unknown) =>
    typeof track === 'string'
      ? fadesOn(song, mix, trackLevel(track))
          .filter((m) => touches(m, task))
          .sort((a, b) => within(b, task) - within(a, task))
      : []
  const leaves = of(values['leaves']).find(isOut)
  const comes = of(values['comes']).find((m) => !isOut(m))
  return leaves && comes ? [leaves, comes] : null
}

/**
 * The pictures that tell what is heard of a task: the build that it asks for, the balance where it is about it, two fades that cross
 * as one, and the fades on its lanes that touch its bars. Where nothing fades or should grow: what its lines do bar by bar.
 */
export function picturesAsked(song: SongVersion, mix: Mix, task: PictureTask): readonly PictureAsked[] {
  const build = buildIn(task)
  const crossing = crossingIn(song, mix, task)
  const fades = task.lanes
    .flatMap((lane) => fadesOn(song, mix, lane))
    .filter((m) => touches(m, task) && !crossing?.some((c) => c.lane === m.lane && c.start === m.start))
  const moves: readonly PictureAsked[] = [
    ...(build ? [{ kind: 'build', grows: true, ...build } as const] : []),
    ...(crossing
      ? [{ kind: 'crossing', leaves: fadeOf(crossing[0]), comes: fadeOf(crossing[1]) } as const]
      : []),
    // within a build its fades are its columns
    ...fades
      .filter((m) => !build || m.start < build.from || m.end > build.to)
      .map((m) => ({ kind: 'fade', fade: fadeOf(m) }) as const),
  ]
  const isDrawn = task.lanes.some((lane) => lineInCharge(mix, lane))
  const balances = !task.lanes.length || task.checks.some((c) => BALANCES.includes(c.kind))
  return [
    ...moves,
    ...(moves.length || !isDrawn
      ? []
      : [{ kind: 'build', grows: false, from: task.from, to: task.to } as const]),
    ...(balances ? [{ kind: 'balance' } as const] : []),
  ]
}

/** Whether a picture follows its lines without anything being played anew, once it was made: its tracks are dry. */
export function isAtOnce(mix: Mix, asked: PictureAsked): boolean {
  const lanes =
    asked.kind === 'fade'
      ? [asked.fade.lane]
      : asked.kind === 'crossing'
        ? [asked.leaves.lane, asked.comes.lane]
        : []
  return (
    lanes.length > 0 &&
    lanes.every((lane) => mix.tracks.some((track) => lane === trackLevel(track.id) && isDry(mix, track)))
  )
}

/** The lead over the rest in a full arrangement, in LU. */
const USUAL = [0, 4] as const

/** Where the lead should stand over the rest, in LU: as a task asks for it, or as is usual. */
export function askedBand(task: Pick<PictureTask, 'checks'> | null): readonly [low: number, high: number] {
  const asked = task?.checks.find((c) => c.kind === 'lead over rest')?.values
  const [least, most] = [asked?.['low'], asked?.['high']]
  return typeof least === 'number' && typeof most === 'number' ? [least, most] : USUAL
}
