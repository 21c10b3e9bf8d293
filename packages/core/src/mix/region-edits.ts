import { words } from '@rudlo/words'
import { clearSpan, copySpan, EditRefused, pasteAt, type LineSpan } from '../envelope'
import { clamp } from '../scale'
import { SAMPLE_RATE, type TempoMap } from '../time'
import { resolve } from './address'
import type { Mix, Region } from './mix'
import { lanesOf } from './lane-list'
import { regionOf } from './regions'

/** The shortest that a region can be trimmed to: a twentieth of a second. */
const SHORTEST = SAMPLE_RATE / 20
/** Most regions of one track. */
const MOST_REGIONS = 512

/** Where a region begins and ends, in ticks. */
export function regionEnds({ start, length }: Region, tempo: TempoMap, songLength = Infinity): LineSpan {
  const end = tempo.tickAt(tempo.secondsAt(start) + length / SAMPLE_RATE)
  return { from: start, to: Math.min(songLength, Math.round(end)) }
}

/** Samples between two ticks, as the engine places them. */
const samplesBetween = (tempo: TempoMap, from: number, to: number) =>
  Math.round(tempo.secondsAt(to) * SAMPLE_RATE) - Math.round(tempo.secondsAt(from) * SAMPLE_RATE)

/** The mix with the regions of one track made anew, in order. */
function withRegions(mix: Mix, track: string, make: (regions: readonly Region[]) => readonly Region[]): Mix {
  return {
    ...mix,
    tracks: mix.tracks.map((t) =>
      t.id === track ? { ...t, regions: [...make(t.regions)].sort((a, b) => a.start - b.start) } : t,
    ),
  }
}

function found(mix: Mix, id: string): { readonly track: string; readonly region: Region } {
  const region = regionOf(mix, id)
  if (!region) throw new RangeError(words('refused.no-region', { id }))
  return region
}

/**
 * Lets a region begin or end elsewhere; its sound stays in its place. It goes no further than its recording.
 * @param frames length of the recording in samples
 */
export function trimRegion(
  mix: Mix,
  id: string,
  edge: 'start' | 'end',
  tick: number,
  tempo: TempoMap,
  frames: number,
): Mix {
  const { track, region } = found(mix, id)
  const at = samplesBetween(tempo, region.start, Math.max(0, tick))
  let next: Region
  if (edge === 'end') {
    const length = clamp(at, Math.min(SHORTEST, region.length), frames - region.offset)
    next = { ...region, length }
  } else {
    const wanted = clamp(at, -region.offset, region.length - Math.min(SHORTEST, region.length))
    const start = Math.round(tempo.tickAt(tempo.secondsAt(region.start) + wanted / SAMPLE_RATE))
    // the start lies on a tick: so many samples are really taken off
    const by = clamp(samplesBetween(tempo, region.start, start), -region.offset, region.length - 1)
    next = { ...region, start, offset: region.offset + by, length: region.length - by }
  }
  const fadeIn = Math.min(next.fadeIn, next.length)
  next = { ...next, fadeIn, fadeOut: Math.min(next.fadeOut, next.length - fadeIn) }
  return withRegions(mix, track, (regions) => regions.map((r) => (r === region ? next : r)))
}

/**
 * Cuts a region in two where the song is at a tick. Both together sound as it did.
 * @throws EditRefused where the tick is not inside it, or the track has too many regions
 */
export function splitRegion(mix: Mix, id: string, tick: number, tempo: TempoMap, freshId: string): Mix {
  const { track, region } = found(mix, id)
  const at = samplesBetween(tempo, region.start, tick)
  if (at < 1 || at >= region.length) throw new EditRefused(words('refused.play-position-not'))
  const first: Region = { ...region, length: at, fadeIn: Math.min(region.fadeIn, at), fadeOut: 0 }
  const rest = region.length - at
  const second: Region = {
    ...region,
    id: freshId,
    start: tick,
    offset: region.offset + at,
    length: rest,
    fadeIn: 0,
    fadeOut: Math.min(region.fadeOut, rest),
  }
  checkRoom(mix, track)
  return withRegions(mix, track, (regions) => regions.flatMap((r) => (r === region ? [first, second] : [r])))
}

/** Moves a region to begin at a tick. */
export function moveRegion(mix: Mix, id: string, tick: number): Mix {
  const { track, region } = found(mix, id)
  const start = Math.max(0, Math.round(tick))
  return withRegions(mix, track, (regions) => regions.map((r) => (r === region ? { ...r, start } : r)))
}

/** Copies a region to begin at a tick. @throws EditRefused where the track has too many regions */
export function copyRegion(mix: Mix, id: string, tick: number, freshId: string): Mix {
  const { track, region } = found(mix, id)
  checkRoom(mix, track)
  const copy = { ...region, id: freshId, start: Math.max(0, Math.round(tick)) }
  return withRegions(mix, track, (regions) => [...regions, copy])
}

/** Takes a region off its track. Its recording stays in the song. */
export function removeRegion(mix: Mix, id: string): Mix {
  const { track, region } = found(mix, id)
  return withRegions(mix, track, (regions) => regions.filter((r) => r !== region))
}

function checkRoom(mix: Mix, track: string): void {
  const count = mix.tracks.find((t) => t.id === track)?.regions.length ?? 0
  if (count >= MOST_REGIONS) throw new EditRefused(words('refused.track-regions', { most: MOST_REGIONS }))
}

/**
 * Lets the open lines of a track go along with a region that was moved or copied: what they do in a span does it so many
 * ticks later.
 */
export function withLinesAlong(
  mix: Mix,
  track: string,
  span: LineSpan,
  by: number,
  how: 'moved' | 'copied',
  songLength: number,
): Mix {
  const lanes = new Set(lanesOf(mix, track))
  const envelopes = mix.envelopes.map((e) => {
    const scale = resolve(mix, e.address)?.control.scale
    if (!scale || !e.open || !e.points.length || !lanes.has(e.address)) return e
    const left = how === 'moved' ? clearSpan(e.points, scale, span) : e.points
    // what would come to lie outside the song is gone
    const to = Math.min(span.to, songLength - by)
    const from = Math.max(span.from, -by)
    if (to <= from) return { ...e, points: left }
    const inner = copySpan(e.points, scale, { from, to })
    return { ...e, points: pasteAt(left, scale, inner, to - from, from + by, 'returns') }
  })
  return { ...mix, envelopes }
}
