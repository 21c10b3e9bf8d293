import type { AudioStore } from '../engine'
import { point } from '../envelope'
import { envelopeOf, lineInCharge, resolve, withLane, withPoints, type Address, type Mix } from '../mix'
import { findMoves, type Move } from '../moves'
import { songTime, type SongVersion } from '../song'
import { buildPicture, type BuildPicture } from './build-picture'
import type { HeardCache } from './cache'
import { fadePicture, type DrawnFade, type FadePicture } from './fade-picture'
import { hearTrack, hearWhole, type Heard } from './hear'
import type { Part } from './part'

/** Moves that are faded by: they go on for longer than a jump, and to or from somewhere softer. */
const FADES: readonly Move['kind'][] = ['fade in', 'fade out', 'rise', 'fall', 'drop', 'build']

/** Where a fade goes, and on which lane. */
export type FadeOnLane = DrawnFade & Pick<Move, 'lane'>

/** The fades on one lane, in order; none where it is no level of a track, or no line is in charge. */
export function fadesOn(song: SongVersion, mix: Mix, lane: Address): readonly Move[] {
  const found = resolve(mix, lane)
  const line = lineInCharge(mix, lane)
  const isTrack = mix.tracks.some((track) => track.id === found?.owner)
  if (!found || !line || !isTrack || found.control.scale.kind !== 'level') return []
  const moves = findMoves(lane, line.points, found.control.scale, songTime(song), song.sections)
  return moves.filter((move) => FADES.includes(move.kind))
}

/** A mix with one lane held at a value all through the song. */
function heldAt(mix: Mix, lane: Address, value: number): Mix {
  const open = withLane(mix, lane, { open: true, on: true })
  return withPoints(open, lane, [point(0, value)], () => `held-${lane}`)
}

/**
 * The picture of one fade: its track is played as it is, and with the line held at the fade's loud end.
 * @returns null where it was stopped
 * @throws RangeError where the lane belongs to no track
 */
export function hearFade(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  move: FadeOnLane,
  cache: HeardCache,
  onProgress: (share: number) => boolean = () => true,
): FadePicture | null {
  const found = resolve(mix, move.lane)
  const track = mix.tracks.find((t) => t.id === found?.owner)
  if (!found || !track) throw new RangeError(`No track fades on ${move.lane}.`)
  const { from, to, start, end, lane } = move
  const played = hearTrack(song, mix, audio, track.id, cache, (share) => onProgress(share / 2))
  const held = played && heldAt(mix, lane, Math.max(from, to))
  const loud = held && hearTrack(song, held, audio, track.id, cache, (share) => onProgress((1 + share) / 2))
  if (!played || !loud) return null
  return fadePicture(songTime(song), { from, to, start, end }, played, loud, found.control.scale)
}

/** Most lanes whose share in a build is asked for: each of them is a mix to be played. */
const MOST_BUILDERS = 6

/**
 * The picture of a build: the mix with its lines and without, and with the line of each lane left out that moves there.
 * @returns null where it was stopped
 */
export function hearBuild(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  stretch: { readonly from: number; readonly to: number },
  heard: Pick<Heard, 'mix' | 'still' | 'peaks'>,
  cache: HeardCache,
  onProgress: (share: number) => boolean = () => true,
): BuildPicture | null {
  const builders = mix.envelopes
    .filter(({ address }) => movesIn(mix, address, stretch))
    .slice(0, MOST_BUILDERS)
    .map((e) => e.address)
  const leftOut: Record<Address, Part> = {}
  for (const [i, lane] of builders.entries()) {
    const without = withLane(mix, lane, { on: false })
    const part = hearWhole(song, without, audio, cache, (share) => onProgress((i + share) / builders.length))
    if (!part) return null
    leftOut[lane] = part
  }
  return buildPicture(songTime(song), stretch, heard, leftOut)
}

/** Whether a line in charge is anywhere else in a stretch than its control is set. */
function movesIn(
  mix: Mix,
  lane: Address,
  { from, to }: { readonly from: number; readonly to: number },
): boolean {
  const line = lineInCharge(mix, lane)
  const setting = resolve(mix, lane)?.setting
  if (!line || setting === undefined) return false
  const { points } = envelopeOf(mix, lane)!
  const before = points.findLast((p) => p.tick <= from) ?? points[0]!
  return [before, ...points.filter((p) => p.tick > from && p.tick <= to)].some((p) => p.value !== setting)
}
