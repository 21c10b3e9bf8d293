import type { Address } from '../mix'
import { levelScale, type Scale } from '../scale'
import type { Section, SongTime } from '../song'
import type { MoveKind } from './move'
import type { Segment } from './segments'
import type { Candidate } from './shapes'

/** A line as moves are looked for in it. */
export interface LineView {
  readonly lane: Address
  readonly scale: Scale
  readonly time: SongTime
  readonly sections: readonly Pick<Section, 'tick'>[]
  readonly segments: readonly Segment[]
}

/** A level at or under this counts as gone when naming a fade; whether it is truly silent is said apart. */
const GONE_DB = -36
/** Least depth of a fade in dB. */
const FADE_DEPTH_DB = 18
/** A throw is over after this many bars, and a little. */
const THROW_BARS = 2.05
/** A sweep of a frequency takes at least this share of the travel; one of a pan goes this far to both sides. */
const SWEEP_TRAVEL = 0.25
const SWEEP_SIDE = 0.2
/** A build lasts at least this many bars, and a little less for an unsteady hand. */
const BUILD_BARS = 1.9
/** So many steps are stairs: their last one is held until what they lead to. */
const STAIRS = 3
/** A change in less is a jump to the ear, in seconds. */
const SUDDEN_SECONDS = 0.05
/** A way is over where this share of it is left. */
const THERE = 0.05
/** A drop takes a beat, or so many seconds where beats are short: a hand has to get there. */
const DROP_SECONDS = 0.9
const DROP_BEATS = 1.15
/** What is away longer than this and comes back by a build is told as two. */
const SHORT_BARS = 4
/** A hand is no more exact than this, in seconds. */
const HAND_SECONDS = 0.4
/** One in less is a switch and no fade, where it comes back as fast. */
const QUICK_SECONDS = 0.7

const isThrowLane = (lane: Address) => /^send\/[^/]+\/level$|\/wet$/.test(lane)

/** What can sweep on a lane, if anything. */
const sweeps = (lane: Address) =>
  lane.endsWith('/pan') ? 'pan' : /frequency$/i.test(lane) ? 'frequency' : null

/** What a way from one value to another is called. */
interface Way {
  readonly first: Segment
  readonly last: Segment
  readonly from: number
  readonly to: number
  readonly steps: number
  /** Ticks for which its last step but one is held. */
  readonly held: number
}

/** Ticks of a beat as it is felt: of three eighths in six eighths and its like. */
function feltBeat({ meter }: SongTime, tick: number): number {
  const { bar, beat } = meter.lengthsAt(tick)
  const beats = Math.round(bar / beat)
  return beat < 960 && beats % 3 === 0 && beats > 3 ? 3 * beat : beat
}

function nameOfWay(view: LineView, { first, last, from, to, steps, held }: Way): MoveKind {
  const { lane, scale, time } = view
  const rises = to > from
  const [a, b] = [scale.toValue(from), scale.toValue(to)]
  const seconds = last.endsAt - first.startsAt
  const beat = feltBeat(time, first.start)
  const within = last.end - first.start <= DROP_BEATS * beat || seconds <= DROP_SECONDS
  if (!rises && within && atSection(view, first.start, beat)) return 'drop'
  if (seconds < SUDDEN_SECONDS) return rises ? 'jump up' : 'jump down'
  if (scale === levelScale && Math.abs(b - a) >= FADE_DEPTH_DB) {
    if (rises && a <= GONE_DB) return 'fade in'
    if (!rises && b <= GONE_DB) return 'fade out'
  }
  const what = sweeps(lane)
  if (what === 'pan' && a * b < 0 && Math.min(Math.abs(a), Math.abs(b)) >= SWEEP_SIDE) return 'sweep'
  if (what === 'frequency' && Math.abs(to - from) >= SWEEP_TRAVEL) return 'sweep'
  const late = steps >= STAIRS ? held : 0
  // beats may be shorter than a hand is exact
  const near = Math.max(beat, (HAND_SECONDS * (last.end - first.start)) / seconds)
  if (rises && time.meter.barsBetween(first.start, last.end + late) >= BUILD_BARS) {
    const arrives = view.sections.some(
      ({ tick }) =>
        tick > 0 && tick >= (late ? last.start : last.end) - near && tick <= last.end + late + near,
    )
    if (arrives) return 'build'
  }
  return rises ? 'rise' : 'fall'
}

/** Whether a section starts within a beat of a tick. */
const atSection = ({ sections }: LineView, tick: number, beat: number) =>
  sections.some((s) => s.tick > 0 && Math.abs(s.tick - tick) <= beat)

/** The ways there and back of what comes back; the same twice for what does not. */
function waysOf({ segments }: LineView, found: Candidate): { there: Way; back: Way } {
  const { first, last, arrives, leaves, from, goal, to, steps } = found
  // what comes after it is there is settling
  const there = (i: number, j: number, a: number, b: number) => {
    let k = i
    while (k < j && Math.sign(b - a) * (segments[k]!.to - b) < -THERE * Math.abs(b - a)) k++
    return k
  }
  const way = (i: number, j: number, a: number, b: number): Way => ({
    first: segments[i]!,
    last: segments[there(i, j, a, b)]!,
    from: a,
    to: b,
    steps,
    held: j > i ? segments[j]!.start - segments[j - 1]!.end : 0,
  })
  return { there: way(first, arrives, from, goal), back: way(leaves, last, goal, to) }
}

/** Names by which each half of what comes back is a move by itself. */
const STRONGER: readonly MoveKind[] = ['fade in', 'fade out', 'sweep']

/**
 * What a candidate is called. Of all names that fit the first is taken: fade, throw, sweep, build, lift or dip, drop, jump.
 * @returns null where it is no move: trembling, or something that has a better name in two parts
 */
export function nameOf(view: LineView, found: Candidate): MoveKind | null {
  if (found.shape === 'trembling') return null
  if (found.shape === 'rhythm') return 'rhythm'
  const { there, back } = waysOf(view, found)
  if (found.shape === 'passage') return nameOfWay(view, there)
  const rises = found.goal > found.from
  const bars = view.time.meter.barsBetween(there.first.start, back.last.end)
  if (isThrowLane(view.lane)) return rises ? (bars <= THROW_BARS ? 'throw' : 'lift') : 'dip'
  const [out, home] = [nameOfWay(view, there), nameOfWay(view, back)]
  const quick = [there, back].every((w) => w.last.endsAt - w.first.startsAt <= QUICK_SECONDS)
  if (out === 'build' || (home === 'build' && bars > SHORT_BARS)) return null
  if (!quick && (STRONGER.includes(out) || STRONGER.includes(home))) return null
  return rises ? 'lift' : 'dip'
}
