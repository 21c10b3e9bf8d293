import { cosPi, exp, log, sinPi } from '../../maths'
import { BEND_STEP, hz, RATE, type Bend, type Instrument, type Note } from '../note'
import { randomSource } from '../random'
import { bentNote } from './bend-curve'

/** One partial of something that was struck or plucked and then left to itself. */
export interface Partial {
  /** Frequency as a factor on that of the note. */
  readonly ratio: number
  /** Amplitude beside the others. */
  readonly amplitude: number
  /** Seconds in which it falls by 60 dB. */
  readonly seconds: number
}

/** What makes one struck sound differ from another. */
export interface StruckVoice {
  /** The partials of a note at a strength of 0…1. */
  readonly partials: (pitch: number, strength: number) => readonly Partial[]
  /** Seconds until it has spoken. */
  readonly attack: number
  /** Seconds in which it is damped when it is let go; null for what rings on. */
  readonly damped: number | null
  /** The blow itself: noise beside the partials, how long it is in seconds, and how bright, 0…1. */
  readonly blow: { readonly amplitude: number; readonly seconds: number; readonly bright: number }
  readonly seed: number
}

const HIGHEST = 17_000
/** Rings on for so long at most, in seconds. */
const LONGEST = 9

/** Adds one partial: a number that turns and shrinks (a damped phasor), at two multiplications a sample. */
function addPartial(
  { ratio, amplitude, seconds }: Partial,
  frequency: number,
  phase: number,
  sound: Float64Array,
  bent: (sample: number) => number,
): void {
  if (frequency * ratio > HIGHEST) return
  const shrink = exp(-6.907755 / (seconds * RATE))
  // until it is 72 dB below the loudest: ln(0.00025 / amplitude) / ln(shrink)
  const heard = Math.ceil((seconds * RATE * (8.3 + log(Math.max(amplitude, 1e-6)))) / 6.907755)
  const frames = Math.min(sound.length, Math.max(0, heard))
  let re = amplitude * cosPi(2 * phase)
  let im = amplitude * sinPi(2 * phase)
  for (let from = 0; from < frames; from += BEND_STEP) {
    const turn = (2 * frequency * ratio * bent(from)) / RATE
    const c = shrink * cosPi(turn)
    const s = shrink * sinPi(turn)
    const to = Math.min(frames, from + BEND_STEP)
    for (let n = from; n < to; n++) {
      sound[n]! += im
      const next = re * c - im * s
      im = re * s + im * c
      re = next
    }
  }
}

function strike(
  voice: StruckVoice,
  note: Note,
  out: Float32Array,
  random: () => number,
  bend: Bend | undefined,
): void {
  const from = Math.max(0, Math.round(note.start * RATE))
  const partials = voice.partials(note.pitch, note.strength)
  const rings = Math.min(LONGEST, Math.max(0.05, ...partials.map((p) => p.seconds * 1.2)))
  const held = voice.damped === null ? Infinity : Math.round(note.seconds * RATE)
  const damping = Math.max(1, Math.round((voice.damped ?? 1) * RATE))
  const frames = Math.min(Math.round(rings * RATE), held + damping, out.length - from)
  if (frames <= 0) return
  const sound = new Float64Array(frames)
  const bent = bentNote(note, from, bend)
  const frequency = hz(note.pitch)
  for (const partial of partials) addPartial(partial, frequency, random(), sound, bent)
  const sum = Math.sqrt(partials.reduce((all, p) => all + p.amplitude * p.amplitude, 0)) || 1
  addBlow(voice.blow, sum, sound, random)
  const attack = Math.max(1, Math.round(voice.attack * RATE))
  for (let n = 0; n < frames; n++) {
    const spoken = n < attack ? n / attack : 1
    const left = n > held ? 1 - (n - held) / damping : 1
    out[from + n]! += ((sound[n]! * note.strength) / sum) * spoken * left * left
  }
}

/** The noise of hammer, mallet or nail. */
function addBlow(
  { amplitude, seconds, bright }: StruckVoice['blow'],
  sum: number,
  sound: Float64Array,
  random: () => number,
): void {
  const frames = Math.min(sound.length, Math.round(seconds * RATE))
  let low = 0
  for (let n = 0; n < frames; n++) {
    const left = 1 - n / frames
    low += (0.04 + 0.96 * bright) * (random() * 2 - 1 - low)
    sound[n]! += low * amplitude * sum * left * left
  }
}

/** An instrument of struck or plucked things. */
export function struck(voice: StruckVoice): Instrument {
  return (notes, frames, bend) => {
    const out = new Float32Array(frames)
    const random = randomSource(voice.seed)
    for (const note of notes) strike(voice, note, out, random, bend)
    return [out]
  }
}
