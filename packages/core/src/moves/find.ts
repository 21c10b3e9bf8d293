import type { Points } from '../envelope'
import type { Address } from '../mix'
import { levelScale, type Scale } from '../scale'
import type { Section, SongTime } from '../song'
import type { LineView } from './kinds'
import type { Move, MoveKind } from './move'
import { crossing, cutAtKnown, parse } from './parse'
import { segmentsOf, type Segment } from './segments'
import type { Candidate } from './shapes'
import { hysteresis } from './swings'
import { shapeOf } from './shape-of'

/** What stays under this level all the time is no move: nobody hears it, in dB. */
const UNHEARD_DB = -60

/**
 * Finds and measures the moves of a line, in order of time: of all ways to tell the line the one that takes the fewest words.
 * @param sections of the song: a build arrives at one, a drop falls at one
 */
export function findMoves(
  lane: Address,
  points: Points,
  scale: Scale,
  time: SongTime,
  sections: readonly Pick<Section, 'tick'>[] = [],
): Move[] {
  const whole = segmentsOf(points, scale, time)
  const { segments, midway } = cutAtKnown(whole, points, { scale, time })
  const view: LineView = { lane, scale, time, sections, segments }
  return parse(view, midway).flatMap(({ found, kind }) => {
    const heard = Math.max(...[found.from, found.goal, found.to].map((t) => scale.toValue(t)))
    if (!kind || (scale === levelScale && heard <= UNHEARD_DB)) return []
    return [measured(view, points, found, kind)]
  })
}

function measured(view: LineView, points: Points, found: Candidate, kind: MoveKind): Move {
  const { lane, scale, time, segments } = view
  const { first, last, arrives, leaves } = found
  const start = setsOff(segments.slice(first, arrives + 1), Math.abs(found.goal - found.from))
  const [from, goal, to] = [found.from, found.goal, found.to].map((t) => scale.toValue(t)) as [
    number,
    number,
    number,
  ]
  const arrival = reaches(view, points, segments.slice(first, arrives + 1), found.from, found.goal)
  const comesBack = found.shape === 'excursion'
  const end = comesBack
    ? reaches(view, points, segments.slice(leaves, last + 1), found.goal, found.to)
    : found.shape === 'rhythm'
      ? segments[last]!.end
      : arrival
  const shape = shapeOf(points, scale, time, start, arrival)
  const past = found.goal + Math.sign(found.goal - found.from) * found.overshoot
  return {
    kind,
    lane,
    start,
    end,
    arrival,
    leaves: comesBack ? segments[leaves]!.start : end,
    from,
    goal,
    to,
    depth: goal - from,
    bars: time.meter.barsBetween(start, end),
    seconds: time.tempo.secondsAt(end) - time.tempo.secondsAt(start),
    form: shape.form,
    unevenness: shape.unevenness,
    steepest: shape.steepest,
    silent: kind === 'fade in' ? from <= scale.min : kind === 'fade out' && to <= scale.min,
    steps: found.steps,
    rest: found.rest,
    overshoot: found.overshoot ? Math.abs(scale.toValue(past) - goal) : 0,
    unsteadiness: Math.min(1, found.unsteady / Math.max(1e-9, Math.abs(found.goal - found.from))),
  }
}

/** A first step by less than this share of the way, and of the step that follows after a rest, is no part of it. */
const FIRST_STEP = 0.12
const LESS = 0.4

/** When a way begins. @param size of the whole way, in travel */
function setsOff(segments: readonly Segment[], size: number): number {
  const step = (s: Segment) => Math.abs(s.to - s.from)
  const begins = segments.find((s, k) => {
    const next = segments[k + 1]
    return !next || next.start === s.end || step(s) >= Math.min(FIRST_STEP * size, LESS * step(next))
  })
  return (begins ?? segments[0]!).start
}

/** When a way is first at its goal, whatever it does afterwards: past it and back, or creeping. */
function reaches(
  view: LineView,
  points: Points,
  segments: readonly Segment[],
  from: number,
  goal: number,
): number {
  const sign = Math.sign(goal - from)
  const near = hysteresis(view.scale, goal) / 2
  for (const segment of segments) {
    const over = sign * (segment.to - goal)
    if (over < -near) continue
    return over > near && sign * (segment.to - segment.from) > 0
      ? crossing(points, view, segment, goal)
      : segment.end
  }
  return segments.at(-1)!.end
}
