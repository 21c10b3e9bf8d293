import type { AudioStore } from '../engine'
import { envelopeOf, lineInCharge, resolve, withLane, type Address, type Mix } from '../mix'
import { hertz } from '../scale'
import { songTime, type SongVersion } from '../song'
import type { Ticks } from './asked'
import { buildPicture, type Brightened, type BuildPicture } from './build-picture'
import type { HeardCache } from './cache'
import { hearStill, hearTrack, hearWhole } from './hear'
import type { Part } from './part'

/** Most lanes whose share in a build is asked for: each of them is a mix to be played. */
const MOST_BUILDERS = 6

/**
 * The picture of a build: the mix with its lines and without, with the line of each lane left out that moves there, and how much
 * brighter the track gets whose filter opens.
 * @returns null where it was stopped
 */
export function hearBuild(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  stretch: Ticks,
  cache: HeardCache,
  onProgress: (share: number) => boolean = () => true,
): BuildPicture | null {
  const moving = mix.envelopes.map((e) => e.address).filter((address) => movesIn(mix, address, stretch))
  const builders = moving.slice(0, MOST_BUILDERS)
  const steps = builders.length + 3
  let step = 0
  const go = (share: number) => onProgress((step + share) / steps)
  const { meter, tempo } = songTime(song)
  // with the bar after it
  const end = Math.min(song.length, meter.barStart(meter.placeAt(Math.max(0, stretch.to - 1)).bar + 2))
  const within = { from: tempo.secondsAt(stretch.from), to: tempo.secondsAt(end) }
  const options = { cache, onProgress: go, within }
  const whole = hearWhole(song, mix, audio, options)
  step++
  const still = whole && hearStill(song, mix, audio, options)
  if (!whole || !still) return null
  const leftOut: Record<Address, Part> = {}
  for (const lane of builders) {
    step++
    const part = hearWhole(song, withLane(mix, lane, { on: false }), audio, options)
    if (!part) return null
    leftOut[lane] = part
  }
  step++
  const bright = brightened(song, mix, audio, builders, cache, go)
  if (bright === null) return null
  return buildPicture(
    songTime(song),
    stretch,
    { mix: whole, still, peaks: whole.peaks! },
    leftOut,
    bright,
    moving.length - builders.length,
  )
}

/** The track whose frequency moves, with its line and without; nothing where none does, null where it was stopped. */
function brightened(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  builders: readonly Address[],
  cache: HeardCache,
  onProgress: (share: number) => boolean,
): Brightened | undefined | null {
  const lane = builders.find((address) => resolve(mix, address)?.control.unit === hertz)
  const track = lane && mix.tracks.find((t) => t.id === resolve(mix, lane)?.owner)
  if (!track) return undefined
  const without = withLane(mix, lane, { on: false })
  const now = hearTrack(song, mix, audio, track.id, cache, (share) => onProgress(share / 2))
  const before = now && hearTrack(song, without, audio, track.id, cache, (s) => onProgress((1 + s) / 2))
  return now && before && { lane, now, before }
}

/** Whether a line in charge is anywhere else in a stretch than its control is set. */
function movesIn(mix: Mix, lane: Address, { from, to }: Ticks): boolean {
  const line = lineInCharge(mix, lane)
  const setting = resolve(mix, lane)?.setting
  if (!line || setting === undefined) return false
  const { points } = envelopeOf(mix, lane)!
  const before = points.findLast((p) => p.tick <= from) ?? points[0]!
  return [before, ...points.filter((p) => p.tick > from && p.tick <= to)].some((p) => p.value !== setting)
}
