import type { AssetAudio, AudioStore } from '../engine'
import type { Mix } from '../mix'
import { findOnsets } from '../onsets'
import { SAMPLE_RATE, TempoMap } from '../time'
import type { SongVersion } from '../song'

/** A recording is looked at in steps of so many samples: 100 ms. */
const STEP = SAMPLE_RATE / 10
/** It plays where a step is at most so far below its loudest one, as a share of the amplitude: 38 dB. */
const PLAYS = 0.0126
/** It comes in where it was silent for so long before, in seconds. */
const SILENT_SECONDS = 1.5

const known = new WeakMap<AssetAudio, readonly number[]>()

/**
 * Where tracks come in: ticks at which each begins to play after a while of silence, found in the recordings alone, so
 * that no mix can hide them.
 */
export function entriesOf(song: SongVersion, mix: Mix, audio: AudioStore): Record<string, number[]> {
  const tempo = new TempoMap(song.tempo)
  const entries: Record<string, number[]> = {}
  for (const { id, regions } of mix.tracks) {
    const starts: number[] = []
    let silentFrom = -Infinity
    for (const region of [...regions].sort((a, b) => a.start - b.start)) {
      const asset = audio.get(region.asset)
      if (!asset) continue
      const start = Math.round(tempo.secondsAt(region.start) * SAMPLE_RATE)
      const inside = (sample: number) => sample >= region.offset && sample < region.offset + region.length
      const sounds = comingsIn(asset).filter(inside)
      for (const sample of sounds) {
        const at = start + sample - region.offset
        if (at - silentFrom >= SILENT_SECONDS * SAMPLE_RATE)
          starts.push(Math.round(tempo.tickAt(at / SAMPLE_RATE)))
      }
      silentFrom = start + region.length
    }
    entries[id] = starts
  }
  return entries
}

const knownOnsets = new WeakMap<AssetAudio, readonly number[]>()

/** Samples at which notes of a recording begin. */
function beginnings(asset: AssetAudio): readonly number[] {
  const before = knownOnsets.get(asset)
  if (before) return before
  const found = findOnsets(asset.channels).map((o) => o.sample)
  knownOnsets.set(asset, found)
  return found
}

/** Ticks at which notes of each track begin, found in the recordings alone. */
export function onsetsOf(song: SongVersion, mix: Mix, audio: AudioStore): Record<string, number[]> {
  const tempo = new TempoMap(song.tempo)
  const ticksOf = ({ asset, start, offset, length }: Mix['tracks'][number]['regions'][number]) => {
    const sound = audio.get(asset)
    const at = Math.round(tempo.secondsAt(start) * SAMPLE_RATE)
    return (sound ? beginnings(sound) : [])
      .filter((sample) => sample >= offset && sample < offset + length)
      .map((sample) => Math.round(tempo.tickAt((at + sample - offset) / SAMPLE_RATE)))
  }
  return Object.fromEntries(mix.tracks.map(({ id, regions }) => [id, regions.flatMap(ticksOf)]))
}

/** Samples at which a recording begins to play after silence. */
function comingsIn(asset: AssetAudio): readonly number[] {
  const before = known.get(asset)
  if (before) return before
  const { channels, frames } = asset
  const levels = new Float64Array(Math.ceil(frames / STEP))
  for (const samples of channels)
    for (let step = 0; step < levels.length; step++) {
      const end = Math.min(frames, (step + 1) * STEP)
      let highest = levels[step]!
      for (let n = step * STEP; n < end; n++) {
        const magnitude = Math.abs(samples[n]!)
        if (magnitude > highest) highest = magnitude
      }
      levels[step] = highest
    }
  const loudest = levels.reduce((a, b) => Math.max(a, b), 0)
  const found: number[] = []
  let silent = SILENT_SECONDS * 10
  let onsets: readonly number[] | null = null
  for (let i = 0; i < levels.length; i++) {
    if (levels[i]! <= loudest * PLAYS || !loudest) {
      silent++
      continue
    }
    if (silent >= SILENT_SECONDS * 10) {
      onsets ??= beginnings(asset)
      const near = onsets.find((s) => s >= (i - 1) * STEP && s < (i + 2) * STEP)
      found.push(near ?? i * STEP)
    }
    silent = 0
  }
  known.set(asset, found)
  return found
}
