import { quantise } from '@rudlo/core/exchange'
import { TempoMap, MeterMap, SAMPLE_RATE, TICKS_PER_QUARTER } from '@rudlo/core/time'
import { randomSource, type Note } from '../instruments'
import type { Part, Score } from './score'

/** A part as sound: 16 bit samples, one array a channel, from the start of the song. */
export interface PlayedPart {
  readonly part: Part
  readonly channels: readonly Int16Array[]
}

/** Length of a score in ticks. */
export function scoreTicks(score: Score): number {
  return new MeterMap(score.meter).barStart(score.bars + 1)
}

/** Plays one part of a score with slight human timing and touch. Deterministic. */
export function playPart(score: Score, part: Part): PlayedPart {
  const tempo = new TempoMap(score.tempo)
  const seconds = (quarter: number) => tempo.secondsAt(quarter * TICKS_PER_QUARTER)
  const frames = Math.round(tempo.secondsAt(scoreTicks(score)) * SAMPLE_RATE)
  const random = randomSource(part.id.length * 7919 + part.notes.length)
  const notes: Note[] = part.notes.map((n) => {
    const start = seconds(n.at)
    return {
      start: Math.max(0, start + (random() * 2 - 1) * part.freedom),
      seconds: seconds(n.at + n.quarters) - start,
      pitch: n.pitch,
      strength: Math.min(1, n.strength * (1 + (random() * 2 - 1) * 0.09)),
    }
  })
  const channels = part.instrument(notes, frames)
  const peak = Math.max(...channels.map(peakOf))
  const gain = peak > 0 ? part.peak / peak : 0
  return { part, channels: channels.map((c) => toSixteenBit(c, gain)) }
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
