import { point } from '../../envelope'
import { sounding, HOPS } from '../../heard'
import { type Evidence, at, isAsked, laneOf, say } from '../../evidence'
import { drawnLines, isLevel, isMute, repaired, type DrawnLine } from '../lines'
import type { Mistake, MistakeKind } from '../mistake'
import { levelGain } from '../../scale'
import { SAMPLE_RATE } from '../../time'

/** Faster than this is a jump to the ear, in seconds. */
const SUDDEN = 0.05
/** A jump down by so much of the amplitude is heard as a cut: to a third. */
const CUT = 0.34
/** What would be over in so many seconds anyway is not cut. */
const ENDS_SECONDS = 0.15
/** Jumps that follow each other within so many beats … */
const RHYTHM_BEATS = 2.1
/** … are a rhythm where there are so many. */
const RHYTHM = 4

interface Jump {
  readonly from: number
  readonly to: number
  readonly share: number
}

/** What a value lets through of the sound, as a share of the amplitude. */
function throughOf({ lane, control }: DrawnLine): (value: number) => number {
  if (isMute(lane)) return (value) => (value >= 0.5 ? 0 : 1)
  return control.scale.kind === 'switch' ? (value) => (value >= 0.5 ? 1 : 0) : levelGain
}

/** Every place where a line lets less through in an instant. */
function jumpsDown(line: DrawnLine, { time }: Evidence): Jump[] {
  const { points } = line
  const through = throughOf(line)
  const jumps: Jump[] = []
  for (let i = 1; i < points.length; i++) {
    const from = points[i - 1]!
    const to = points[i]!
    const before = through(from.value)
    const share = before > 0 ? through(to.value) / before : 1
    if (share >= 1) continue
    const sudden =
      from.form === 'jump' || time.tempo.secondsAt(to.tick) - time.tempo.secondsAt(from.tick) < SUDDEN
    if (sudden) jumps.push({ from: from.form === 'jump' ? to.tick : from.tick, to: to.tick, share })
  }
  return jumps
}

/** Lanes on which a jump down cuts what sounds: sends and effects ring on, and what a return cuts is a tail. */
const cuts = (lane: string) => (isLevel(lane) || isMute(lane)) && !lane.startsWith('return/')

/** What asks for something that is gone in an instant. */
const SUDDEN_KINDS = ['drop', 'jump', 'silence', 'form']

/** Whether the recording itself ends there: then nothing is cut. */
function endsThere({ mix, time }: Evidence, lane: string, tick: number): boolean {
  const track = mix.tracks.find((t) => lane.startsWith(`track/${t.id}/`))
  if (!track) return false
  const at = time.tempo.secondsAt(tick)
  return !track.regions.some((r) => {
    const start = time.tempo.secondsAt(r.start)
    return start < at + ENDS_SECONDS && start + r.length / SAMPLE_RATE > at + ENDS_SECONDS
  })
}

function isRhythm(jump: Jump, all: readonly Jump[], { time }: Evidence): boolean {
  const { beat } = time.meter.lengthsAt(jump.to)
  let count = 1
  const at = all.indexOf(jump)
  for (let i = at; i > 0 && all[i]!.to - all[i - 1]!.to <= RHYTHM_BEATS * beat; i--) count++
  for (let i = at; i + 1 < all.length && all[i + 1]!.to - all[i]!.to <= RHYTHM_BEATS * beat; i++) count++
  return count >= RHYTHM
}

/** Whether the track of a lane plays where it is cut; without its sound it is taken to. */
function plays({ heard, time, mix, start }: Evidence, lane: string, tick: number): boolean {
  const track = lane.split('/')[1]!
  const part = heard?.tracks[track]
  if (!part) return mix.tracks.some((t) => t.id === track) || start.returns.length > 0
  const hop = Math.floor(time.tempo.secondsAt(tick) * HOPS)
  const on = sounding(part)
  return on.slice(Math.max(0, hop - 3), hop + 1).some(Boolean)
}

/** Cut off: a jump on a sounding track where a short fade belongs. */
export const cutOff: MistakeKind = {
  kind: 'cut off',
  needs: 'sound',
  find: (evidence) =>
    drawnLines(evidence)
      .filter((line) => cuts(line.lane))
      .flatMap((line) => {
        const jumps = jumpsDown(line, evidence)
        return jumps
          .filter(
            (j) =>
              j.share <= CUT &&
              !isRhythm(j, jumps, evidence) &&
              !isAsked(evidence, line.lane, j.to, j.to, SUDDEN_KINDS) &&
              !endsThere(evidence, line.lane, j.to) &&
              plays(evidence, line.lane, j.from),
          )
          .map((j) => mistake(evidence, line, j))
      }),
}

function mistake(evidence: Evidence, { lane, points, control }: DrawnLine, jump: Jump): Mistake {
  const { time, mix } = evidence
  const name = laneOf(lane)
  const { beat } = time.meter.lengthsAt(jump.to)
  return {
    kind: 'cut off',
    severity: 2,
    place: { lane, from: Math.max(0, jump.from - beat), to: jump.to + beat },
    says: say('mistake.cut-off.says', { name, at: at(jump.to) }),
    repair:
      control.scale.kind === 'switch'
        ? null
        : () => {
            const before = points.filter((p) => p.tick <= jump.to - beat)
            const value = points.findLast((p) => p.tick < jump.to)!.value
            const hold = point(Math.max((before.at(-1)?.tick ?? -1) + 1, Math.round(jump.to - beat)), value)
            const after = points.filter((p) => p.tick >= jump.to)
            return {
              label: say('mistake.cut-off.repair', { name }),
              mix: repaired(mix, lane, [...before, hold, ...after]),
            }
          },
  }
}
