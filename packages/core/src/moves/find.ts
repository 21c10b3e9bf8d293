import type { Points } from '../envelope'
import type { Address } from '../mix'
import { levelScale, type Scale } from '../scale'
import type { Section, SongTime } from '../song'
import type { Move, MoveKind } from './move'
import { runsOf, type Run } from './runs'
import { shapeOf } from './shape-of'

/** A level at or under this counts as gone when naming a fade; whether it is truly silent is said apart. */
const GONE_DB = -36
/** Least depth of a fade in dB. */
const FADE_DEPTH_DB = 18
/** A dip or lift comes back to within this share of its depth. */
const COMES_BACK = 0.35

/** A throw is over after this many bars, and a little. */
const THROW_BARS = 2.05
/** A sweep of a frequency takes at least this share of the travel; one of a pan goes this far to both sides. */
const SWEEP_TRAVEL = 0.25
const SWEEP_SIDE = 0.2
/** A build lasts at least this many bars, and a little less for an unsteady hand. */
const BUILD_BARS = 1.9

/**
 * Finds and measures the moves of a line, in order of time.
 * @param sections of the song: a build arrives at one, a drop falls at one
 */
export function findMoves(
  lane: Address,
  points: Points,
  scale: Scale,
  time: SongTime,
  sections: readonly Pick<Section, 'tick'>[] = [],
): Move[] {
  const runs = runsOf(points, scale, time.length)
  const changes = runs.filter((r) => r.way !== 'rest')
  const throws = isThrowLane(lane)
  const sweeps = sweepLane(lane)
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
    if (throws && next && isThrow(run, next, scale, time)) {
      add('throw', run, next, run.end, next.start, run.to)
      i++
      continue
    }
    const fade = fadeKind(run, scale)
    if (fade) add(fade, run, run, run.end, run.end, run.to)
    else if (sweeps && isSweep(sweeps, run, scale)) add('sweep', run, run, run.end, run.end, run.to)
    else if (isBuild(run, time, sections)) add('build', run, run, run.end, run.end, run.to)
    else if (next && comesBack(run, next, scale)) {
      add(run.way === 'fall' ? 'dip' : 'lift', run, next, run.end, next.start, run.to)
      i++
    } else add(plainKind(run, time, sections), run, run, run.end, run.end, run.to)
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

const isThrowLane = (lane: Address) => /^send\/[^/]+\/level$|\/wet$/.test(lane)

/** A send or wet value leaves its floor for a moment and returns to it. */
function isThrow(run: Run, next: Run, scale: Scale, time: SongTime): boolean {
  if (run.way !== 'rise' || next.way !== 'fall') return false
  if (time.meter.barsBetween(run.start, next.end) > THROW_BARS) return false
  const travel = (value: number) => scale.toTravel(value)
  const depth = travel(run.to) - travel(run.from)
  return Math.abs(travel(next.to) - travel(run.from)) <= COMES_BACK * depth
}

/** What can sweep on a lane, if anything. */
const sweepLane = (lane: Address) =>
  lane.endsWith('/pan') ? 'pan' : /frequency$/i.test(lane) ? 'frequency' : null

/** A pan goes from one side to the other, or a frequency a good way up or down. */
function isSweep(what: 'pan' | 'frequency', { from, to }: Run, scale: Scale): boolean {
  if (what === 'pan') return from * to < 0 && Math.min(Math.abs(from), Math.abs(to)) >= SWEEP_SIDE
  return Math.abs(scale.toTravel(to) - scale.toTravel(from)) >= SWEEP_TRAVEL
}

type Sections = readonly Pick<Section, 'tick'>[]

/** Whether a tick is within a beat of the start of a section. */
function atSection(tick: number, time: SongTime, sections: Sections): boolean {
  const { beat } = time.meter.lengthsAt(tick)
  return sections.some((s) => s.tick > 0 && Math.abs(s.tick - tick) <= beat)
}

function isBuild(run: Run, time: SongTime, sections: Sections): boolean {
  return (
    run.way === 'rise' &&
    time.meter.barsBetween(run.start, run.end) >= BUILD_BARS &&
    atSection(run.end, time, sections)
  )
}

function plainKind(run: Run, time: SongTime, sections: Sections): MoveKind {
  const { beat } = time.meter.lengthsAt(run.start)
  if (run.way === 'fall' && run.end - run.start <= beat && atSection(run.start, time, sections)) return 'drop'
  const seconds = time.tempo.secondsAt(run.end) - time.tempo.secondsAt(run.start)
  if (seconds < 0.05) return run.way === 'rise' ? 'jump up' : 'jump down'
  return run.way === 'rise' ? 'rise' : 'fall'
}
