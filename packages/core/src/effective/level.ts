import { dbOfGain } from '../maths'
import type { Points } from '../envelope'
import { lineInCharge, trackLevel, type Address, type Mix, type Region } from '../mix'
import { songTime, type SongTime, type SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'
import { controlStage, sumOf, type Stage } from './sum'

/** What is heard of something as if one control did it all, and what else takes part in it. */
export interface Effective {
  /** In dB; in the place of the line of that control. */
  readonly points: Points
  /** What else moves, or is set otherwise than in the starting mix. */
  readonly by: readonly Address[]
  /** Whether a region was changed: its level, its fades, or where it ends. */
  readonly regions: boolean
}

/** What makes a track louder or softer beside its volume. */
export const besideLevel = (track: string): Address[] => [
  `track/${track}/gain`,
  `track/${track}/mute`,
  'main/level',
]

/**
 * The level of a track, as what is heard of it: region level and fades × pre-fader gain × mute × volume × main output. As if the
 * volume did it all, in comparison with the starting mix: where nothing else was touched it is the line of the volume, exactly.
 * @param beside what takes part beside the volume and the regions; all that can, if missing
 */
export function effectiveLevel(
  song: SongVersion,
  start: Mix,
  mix: Mix,
  track: string,
  beside = besideLevel(track),
): Effective {
  const time = songTime(song)
  const by = beside.filter((a) => touched(start, mix, a))
  const regions = regionStage(time, start, mix, track)
  const stages: Stage[] = [
    controlStage(mix, trackLevel(track)),
    ...by.map((address) =>
      address.endsWith('/mute') ? muteStage(mix, address) : comparedTo(start, mix, address),
    ),
    ...(regions ? [regions] : []),
  ]
  return { points: sumOf(stages, time.length), by, regions: regions !== null }
}

/** How one track stands against another: a track that keeps its level steps back where the other comes forward. */
export function effectiveAgainst(
  song: SongVersion,
  start: Mix,
  mix: Mix,
  track: string,
  other: string,
): Effective {
  const { length } = songTime(song)
  const [mine, theirs] = [track, other].map((id) => effectiveLevel(song, start, mix, id))
  const own = lineStage(mine!.points)
  const against = lineStage(theirs!.points)
  const first = against.at(0)
  const stages: Stage[] = [
    own,
    { ...against, at: (tick) => (Number.isFinite(first) ? first - Math.max(-60, against.at(tick)) : 0) },
  ]
  return { points: sumOf(stages, length), by: [trackLevel(other)], regions: false }
}

const lineStage = (points: Points): Stage => {
  let i = 0
  return {
    address: null,
    corners: points.map((p) => p.tick),
    curved: false,
    at: (tick) => {
      // asked for in order of time, nearly always
      if (points[i]!.tick > tick) i = 0
      while (i + 1 < points.length && points[i + 1]!.tick <= tick) i++
      const [a, b] = [points[i]!, points[i + 1]]
      const u = b && tick > a.tick ? (tick - a.tick) / (b.tick - a.tick) : 0
      return b ? a.value + (b.value - a.value) * u : a.value
    },
  }
}

/** Whether a control has a line in charge, or is set otherwise than in the starting mix. */
export function touched(start: Mix, mix: Mix, address: Address): boolean {
  if (lineInCharge(mix, address)) return true
  return controlStage(mix, address, (v) => v).at(0) !== controlStage(start, address, (v) => v).at(0)
}

/** A level, as what it adds to the starting mix. */
function comparedTo(start: Mix, mix: Mix, address: Address): Stage {
  const now = controlStage(mix, address)
  const before = controlStage(start, address)
  return {
    ...now,
    at: (tick) => {
      const was = before.at(tick)
      return now.at(tick) - (Number.isFinite(was) ? was : 0)
    },
    corners: [...now.corners, ...before.corners],
  }
}

const muteStage = (mix: Mix, address: Address): Stage => ({
  ...controlStage(mix, address, (on) => (on >= 0.5 ? -Infinity : 0)),
  curved: false,
})

interface Placed {
  readonly region: Region
  readonly from: number
  readonly to: number
}

/** What the student did to the regions of a track, in dB against how they were; null for nothing. */
function regionStage({ tempo }: SongTime, start: Mix, mix: Mix, track: string): Stage | null {
  const of = (m: Mix) => m.tracks.find((t) => t.id === track)?.regions ?? []
  if (JSON.stringify(of(mix)) === JSON.stringify(of(start))) return null
  const placed = (m: Mix): Placed[] =>
    of(m).map((region) => {
      const at = tempo.secondsAt(region.start)
      return { region, from: at, to: at + region.length / SAMPLE_RATE }
    })
  const [now, before] = [placed(mix), placed(start)]
  const tick = (seconds: number) => Math.round(tempo.tickAt(seconds))
  const corners = now.flatMap(({ region, from, to }) =>
    [from, from + region.fadeIn / SAMPLE_RATE, to - region.fadeOut / SAMPLE_RATE, to].map(tick),
  )
  return {
    address: null,
    curved: true,
    corners: [...corners, ...before.flatMap(({ from, to }) => [tick(from), tick(to)])],
    at: (t) => {
      let seconds = tempo.secondsAt(t)
      // where nothing was recorded nothing can be missing: it is as it was when it last sounded
      if (gainAt(before, seconds) === null)
        seconds = Math.max(...before.map((b) => (b.to <= seconds ? b.to - LAST_MOMENT : -1)))
      const was = gainAt(before, seconds)
      return was === null ? 0 : (gainAt(now, seconds) ?? -Infinity) - was
    },
  }
}

/** Just before a region is over, in seconds. */
const LAST_MOMENT = 1e-6

/** What the regions of a track do at a moment, in dB; null where none sounds. */
function gainAt(regions: readonly Placed[], seconds: number): number | null {
  const placed = regions.find((r) => seconds >= r.from && seconds < r.to)
  if (!placed) return null
  const { region, from, to } = placed
  const into = (seconds - from) * SAMPLE_RATE
  const left = (to - seconds) * SAMPLE_RATE
  const fade =
    Math.min(1, region.fadeIn ? into / region.fadeIn : 1) *
    Math.min(1, region.fadeOut ? left / region.fadeOut : 1)
  return fade > 0 ? region.level + dbOfGain(fade) : -Infinity
}
