import type { AudioStore } from '../engine'
import { point } from '../envelope'
import { resolve, trackLevel, withLane, withPoints, type Address, type Mix, type TrackMix } from '../mix'
import { levelGain } from '../scale'
import { songTime, type SongVersion } from '../song'
import type { FadeOnLane } from './asked'
import type { HeardCache } from './cache'
import { crossingPicture, type CrossingPicture, type CrossingSide } from './crossing-picture'
import { isDry, withLevelLine, withPower } from './dry'
import { fadePicture, type FadePicture } from './fade-picture'
import { hearTrack } from './hear'

type Go = (share: number) => boolean

/** A mix with one lane held at a value all through the song. */
function heldAt(mix: Mix, lane: Address, value: number): Mix {
  const open = withLane(mix, lane, { open: true, on: true })
  return withPoints(open, lane, [point(0, value)], () => `held-${lane}`)
}

function trackOf(mix: Mix, lane: Address): TrackMix {
  const owner = resolve(mix, lane)?.owner
  const track = mix.tracks.find((t) => t.id === owner)
  if (!track) throw new RangeError(`No track fades on ${lane}.`)
  return track
}

/** The track of a fade as it sounds, and with its line held at its loud end; null where it was stopped. */
function sides(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  fade: FadeOnLane,
  cache: HeardCache,
  onProgress: Go,
): CrossingSide | null {
  const { lane, from, to } = fade
  const track = trackOf(mix, lane)
  const loud = Math.max(from, to)
  if (lane === trackLevel(track.id) && isDry(mix, track)) {
    // at full level it is the same for all its lines, and for everybody who has drawn one
    const full = hearTrack(song, heldAt(mix, lane, 0), audio, track.id, cache, onProgress)
    const gain = levelGain(loud)
    return (
      full && {
        held: withPower(full, () => gain * gain),
        played: withLevelLine(songTime(song), mix, lane, full, 0),
      }
    )
  }
  const still = heldAt(mix, lane, loud)
  const held = hearTrack(song, still, audio, track.id, cache, (share) => onProgress(share / 2))
  const played = held && hearTrack(song, mix, audio, track.id, cache, (share) => onProgress((1 + share) / 2))
  return held && played && { held, played }
}

/**
 * The picture of one fade: its track as it is, and with the line held at the fade's loud end. A dry track is played once for all
 * its lines.
 * @returns null where it was stopped
 * @throws RangeError where the lane belongs to no track
 */
export function hearFade(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  fade: FadeOnLane,
  cache: HeardCache,
  onProgress: Go = () => true,
): FadePicture | null {
  const heard = sides(song, mix, audio, fade, cache, onProgress)
  const { scale } = resolve(mix, fade.lane)!.control
  return heard && fadePicture(songTime(song), fade, heard.played, heard.held, scale)
}

/**
 * The picture of two fades that cross. As {@link hearFade}.
 * @returns null where it was stopped
 * @throws RangeError where a lane belongs to no track
 */
export function hearCrossing(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  leaves: FadeOnLane,
  comes: FadeOnLane,
  cache: HeardCache,
  onProgress: Go = () => true,
): CrossingPicture | null {
  const out = sides(song, mix, audio, leaves, cache, (share) => onProgress(share / 2))
  const into = out && sides(song, mix, audio, comes, cache, (share) => onProgress((1 + share) / 2))
  if (!out || !into) return null
  const stretch = { start: Math.min(leaves.start, comes.start), end: Math.max(leaves.end, comes.end) }
  return crossingPicture(songTime(song), stretch, out, into)
}
