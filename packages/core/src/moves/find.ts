import type { Points } from '../envelope'
import type { Address } from '../mix'
import { levelScale, type Scale } from '../scale'
import type { SongTime } from '../song'
import type { Move, MoveKind } from './move'
import { runsOf, type Run } from './runs'
import { shapeOf } from './shape-of'

/** A level at or under this counts as gone when naming a fade; whether it is truly silent is said apart. */
const GONE_DB = -36
/** Least depth of a fade in dB. */
const FADE_DEPTH_DB = 18
/** A dip or lift comes back to within this share of its depth. */
const COMES_BACK = 0.35

/** Finds and measures the moves of a line, in order of time. */
export function findMoves(lane: Address, points: Points, scale: Scale, time: SongTime): Move[] {
  const runs = runsOf(points, scale, time.length)
  const changes = runs.filter((r) => r.way !== 'rest')
  const moves: Move[] = []
  const add = (kind: MoveKind, first: Run, last: Run, arrival: number, leaves: number, goal: number) => {
    const shape = shapeOf(points, scale, time, first.start, first.end)
    moves.push({
      kind,
      lane,
      start: first.start,
      end: last.end,
      arrival,
      leaves,
      from: first.from,
      goal,
      to: last.to,
      depth: goal - first.from,
      bars: time.meter.barsBetween(first.start, last.end),
      seconds: time.tempo.secondsAt(last.end) - time.tempo.secondsAt(first.start),
      form: shape.form,
      unevenness: shape.unevenness,
      steepest: shape.steepest,
      silent: kind === 'fade in' ? first.from <= scale.min : kind === 'fade out' && last.to <= scale.min,
    })
  }
  for (let i = 0; i < changes.length; i++) {
    const run = changes[i]!
    const next = changes[i + 1]
    const fade = fadeKind(run, scale)
    if (fade) add(fade, run, run, run.end, run.end, run.to)
    else if (next && comesBack(run, next, scale)) {
      add(run.way === 'fall' ? 'dip' : 'lift', run, next, run.end, next.start, run.to)
      i++
    } else add(plainKind(run, time), run, run, run.end, run.end, run.to)
  }
  return moves
}

function fadeKind(run: Run, scale: Scale): 'fade in' | 'fade out' | null {
  if (scale !== levelScale) return null
  if (Math.abs(run.to - run.from) < FADE_DEPTH_DB) return null
  if (run.way === 'rise' && run.from <= GONE_DB) return 'fade in'
  if (run.way === 'fall' && run.to <= GONE_DB) return 'fade out'
  return null
}

function comesBack(run: Run, next: Run, scale: Scale): boolean {
  if (run.way === next.way || fadeKind(next, scale)) return false
  const depth = Math.abs(run.to - run.from)
  return Math.abs(next.to - run.from) <= Math.max(COMES_BACK * depth, 0.5)
}

function plainKind(run: Run, time: SongTime): MoveKind {
  const seconds = time.tempo.secondsAt(run.end) - time.tempo.secondsAt(run.start)
  if (seconds < 0.05) return run.way === 'rise' ? 'jump up' : 'jump down'
  return run.way === 'rise' ? 'rise' : 'fall'
}
