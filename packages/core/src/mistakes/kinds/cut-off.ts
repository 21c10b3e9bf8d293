import { point } from '../../envelope'
import { sounding, HOPS } from '../../heard'
import { type Evidence, at, nameOf, say } from '../../evidence'
import { drawnLines, isLevel, repaired, type DrawnLine } from '../lines'
import type { Mistake, MistakeKind } from '../mistake'
import { levelGain } from '../../scale'

/** Faster than this is a jump to the ear, in seconds. */
const SUDDEN = 0.05
/** A jump down by so much of the amplitude is heard as a cut: to a third. */
const CUT = 0.34
/** Jumps that follow each other within so many beats … */
const RHYTHM_BEATS = 2.1
/** … are a rhythm where there are so many. */
const RHYTHM = 4

interface Jump {
  readonly from: number
  readonly to: number
  readonly share: number
}

/** Every place where a line goes down in an instant. */
function jumpsDown({ points, control }: DrawnLine, { time }: Evidence): Jump[] {
  const level = control.scale.kind === 'level'
  const gain = (value: number) => (level ? levelGain(value) : 1 - value)
  const jumps: Jump[] = []
  for (let i = 1; i < points.length; i++) {
    const from = points[i - 1]!
    const to = points[i]!
    if (level ? to.value >= from.value : to.value <= from.value) continue
    const sudden =
      from.form === 'jump' || time.tempo.secondsAt(to.tick) - time.tempo.secondsAt(from.tick) < SUDDEN
    if (!sudden || gain(from.value) <= 0) continue
    const share = gain(to.value) / gain(from.value)
    if (share < 1) jumps.push({ from: from.form === 'jump' ? to.tick : from.tick, to: to.tick, share })
  }
  return jumps
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
  name: 'It is cut off',
  needs: 'sound',
  find: (evidence) =>
    drawnLines(evidence)
      .filter(({ lane }) => isLevel(lane) || /^track\/[^/]+\/mute$/.test(lane))
      .flatMap((line) => {
        const jumps = jumpsDown(line, evidence)
        return jumps
          .filter(
            (j) => j.share <= CUT && !isRhythm(j, jumps, evidence) && plays(evidence, line.lane, j.from),
          )
          .map((j) => mistake(evidence, line, j))
      }),
}

function mistake(evidence: Evidence, { lane, points, control }: DrawnLine, jump: Jump): Mistake {
  const { time, mix } = evidence
  const name = nameOf(evidence, lane)
  const { beat } = time.meter.lengthsAt(jump.to)
  return {
    kind: 'cut off',
    severity: 2,
    place: { lane, from: Math.max(0, jump.from - beat), to: jump.to + beat },
    sentence: say(
      'Listen at {at} with your eyes closed: {name} is cut off like a light. Give it a short fade, even one beat is enough.',
      { name, at: at(evidence, jump.to) },
    ),
    repair:
      control.scale.kind === 'switch'
        ? null
        : () => {
            const before = points.filter((p) => p.tick <= jump.to - beat)
            const value = points.findLast((p) => p.tick < jump.to)!.value
            const hold = point(Math.max((before.at(-1)?.tick ?? -1) + 1, Math.round(jump.to - beat)), value)
            const after = points.filter((p) => p.tick >= jump.to)
            return {
              label: `Faded ${name} over a beat`,
              mix: repaired(mix, lane, [...before, hold, ...after]),
            }
          },
  }
}
