import type { AssetAudio, AudioStore } from '../engine'
import { quantise } from '../exchange'
import type { SongVersion, WrittenPart } from '../song'
import { SAMPLE_RATE, TempoMap, TICKS_PER_QUARTER, type TempoChange } from '../time'
import { INSTRUMENTS } from './instruments'
import type { Instrument, Note } from './note'
import { randomSource } from './random'
import { holdPeaks } from './hold-peaks'
import { bendCurve } from './voices/bend-curve'

/** What the small freedoms of a part follow from. */
export const seedOf = (id: string, notes: number): number => id.length * 7919 + notes

/**
 * Plays a part with slight human timing and touch, for so many ticks: 16 bit samples, one array a channel. The same notes in the
 * same tempo are the same samples every time.
 */
export function playWritten(
  { freedom, peak, crest, seed, notes: written, bends = [], slides = [] }: Omit<WrittenPart, 'player'>,
  instrument: Instrument,
  tempo: readonly TempoChange[],
  length: number,
): Int16Array[] {
  const map = new TempoMap(tempo)
  const seconds = (quarter: number) => map.secondsAt(quarter * TICKS_PER_QUARTER)
  const frames = Math.round(map.secondsAt(length) * SAMPLE_RATE)
  const random = randomSource(seed)
  const slideOf = new Map(slides.map(([note, from, seconds]) => [note, { from, seconds }] as const))
  const notes: Note[] = written.map(([at, quarters, pitch, strength], i) => {
    const start = seconds(at)
    const slide = slideOf.get(i)
    return {
      start: Math.max(0, start + (random() * 2 - 1) * freedom),
      seconds: seconds(at + quarters) - start,
      pitch,
      strength: Math.min(1, strength * (1 + (random() * 2 - 1) * 0.09)),
      ...(slide && { slide }),
    }
  })
  const bend = bendCurve(
    bends.map(([at, semitones]) => [seconds(at), semitones] as const),
    frames,
  )
  const channels = instrument(notes, frames, bend)
  if (crest !== undefined) holdPeaks(channels, crest)
  const loudest = Math.max(...channels.map(peakOf))
  const gain = loudest > 0 ? peak / loudest : 0
  return channels.map((c) => toSixteenBit(c, gain))
}

function peakOf(samples: Float32Array): number {
  let peak = 0
  for (let n = 0; n < samples.length; n++) peak = Math.max(peak, Math.abs(samples[n]!))
  return peak
}

function toSixteenBit(samples: Float32Array, gain: number): Int16Array {
  const out = new Int16Array(samples.length)
  for (let n = 0; n < samples.length; n++) out[n] = quantise(samples[n]! * gain)
  return out
}

/** Plays one recording of a song anew, in the tempo that the song has now; null where its notes are not there. */
export function playAnew(song: SongVersion, asset: string): AssetAudio | null {
  const track = song.regions.find((r) => r.asset === asset)?.track
  const part = song.tracks.find((t) => t.id === track)?.part
  if (!part) return null
  const channels = playWritten(part, INSTRUMENTS[part.player], song.tempo, song.length)
  return { channels, frames: channels[0]!.length }
}

/** All recordings of a song, played anew in the tempo that it has now; those whose notes are not there are left out. */
export function playedAnew(song: SongVersion): AudioStore {
  const made = song.assets.map(({ id }) => [id, playAnew(song, id)] as const)
  return new Map(made.flatMap(([id, sound]) => (sound ? [[id, sound] as const] : [])))
}
