import { hz, RATE, type Bend, type Instrument, type Note } from '../note'
import { randomSource } from '../random'
import { readTable, SINE, type Wavetable } from '../wavetable'
import { bentNote } from './bend-curve'
import { harmonicTable } from './harmonic-table'

/** What makes one sound that is held differ from another. */
export interface SustainedVoice {
  /**
   * Amplitude of harmonic `k`, from 1, that lies at so many Hz.
   * @param bright 0 (as soft as it can be played) … 1 (as loud)
   */
  readonly harmonic: (k: number, hz: number, bright: number) => number
  /** Detuning of each of the voices that sound together, as a factor on the frequency. */
  readonly unison: readonly number[]
  /** Seconds. */
  readonly attack: number
  /** Seconds in which the beginning falls to `held`, and what it falls to, 0…1. */
  readonly settle: { readonly seconds: number; readonly held: number }
  readonly release: number
  /** How much duller it begins and ends than it is held, 0…1: brass opens with its loudness (J.-C. Risset 1969). */
  readonly opens: number
  readonly vibrato: { readonly rate: number; readonly depth: number; readonly after: number }
  /** Wind, bow or breath around the note while it is held, and at its beginning. */
  readonly noise: { readonly held: number; readonly begin: number; readonly wide: number }
  /** How far the pitch starts below the note, as a share of the frequency. */
  readonly scoop: number
  /** Trembling of the loudness: its rate in Hz and its depth, 0…1. */
  readonly tremble?: { readonly rate: number; readonly depth: number }
  readonly seed: number
}

/** Between soft and loud there are so many tables that are made, and so many that are mixed of them. */
const STEPS = 5
const SHADES = 32
/** Share of the voices that sound with the first. */
const FOLLOWS = 0.5
/** Samples between two looks at envelope and vibrato. */
const STRIDE = 32

/** Tables of a voice by pitch and brightness. */
class Tables {
  readonly #made = new Map<number, readonly Wavetable[]>()
  readonly #mixed = new Map<number, Wavetable>()

  constructor(private readonly voice: SustainedVoice) {}

  /** @param bright 0…1 */
  of(pitch: number, bright: number): Wavetable {
    const shade = Math.round(Math.min(1, Math.max(0, bright)) * SHADES)
    const key = pitch * (SHADES + 1) + shade
    const known = this.#mixed.get(key)
    if (known) return known
    const place = Math.min(STEPS - 1.001, (shade / SHADES) * (STEPS - 1))
    const steps = this.#steps(pitch)
    const [dull, open] = [steps[Math.floor(place)]!, steps[Math.floor(place) + 1]!]
    const share = place - Math.floor(place)
    const mixed = dull.map((v, n) => v + (open[n]! - v) * share)
    this.#mixed.set(key, mixed)
    return mixed
  }

  #steps(pitch: number): readonly Wavetable[] {
    const known = this.#made.get(pitch)
    if (known) return known
    const made = Array.from({ length: STEPS }, (_, i) =>
      harmonicTable(hz(pitch), (k, f) => this.voice.harmonic(k, f, i / (STEPS - 1))),
    )
    this.#made.set(pitch, made)
    return made
  }
}

/** How a note of so many samples, held for `held` of them, comes, stays and goes. */
function envelopeOf({ attack, settle, release }: SustainedVoice, held: number): (sample: number) => number {
  // a short note still speaks: its attack takes half of it at most
  const rising = Math.max(1, Math.min(Math.round(attack * RATE), held >> 1))
  const falling = Math.max(1, release * RATE)
  const settling = Math.max(1, settle.seconds * RATE)
  return (sample) => {
    const risen = Math.min(1, sample / rising)
    const settled = settle.held + (1 - settle.held) * Math.max(0, 1 - Math.max(0, sample - rising) / settling)
    const left = sample > held ? Math.max(0, 1 - (sample - held) / falling) : 1
    return risen * risen * (3 - 2 * risen) * settled * left * left
  }
}

const fraction = (x: number) => x - Math.floor(x)

/** Adds a stride of one oscillator. @returns its phase afterwards */
function oscillate(
  table: Wavetable,
  from: number,
  step: number,
  share: number,
  sound: Float64Array,
  count: number,
): number {
  let phase = from
  for (let n = 0; n < count; n++) {
    sound[n]! += share * readTable(table, phase)
    phase += step
    if (phase >= 1) phase -= 1
  }
  return phase
}

function sing(
  voice: SustainedVoice,
  tables: Tables,
  note: Note,
  out: Float32Array,
  random: () => number,
  bend: Bend | undefined,
): void {
  const { vibrato, noise, tremble, unison } = voice
  const frequency = hz(note.pitch)
  const from = Math.max(0, Math.round(note.start * RATE))
  const held = Math.max(1, Math.round(note.seconds * RATE))
  const frames = Math.min(held + Math.round(voice.release * RATE), out.length - from)
  const envelope = envelopeOf(voice, held)
  const bent = bentNote(note, from, bend)
  // the first leads and the others colour it: as strong as each other they would take turns to be silent
  const weight = Math.sqrt(1 + (unison.length - 1) * FOLLOWS * FOLLOWS)
  const phases = unison.map(() => random())
  const sound = new Float64Array(STRIDE)
  const f = Math.min(0.9, (6.28 * frequency) / RATE)
  let wobblePhase = random()
  let tremblePhase = random()
  let band = 0
  let low = 0
  let level = envelope(0)
  for (let start = 0; start < frames; start += STRIDE) {
    const count = Math.min(STRIDE, frames - start)
    const t = start / RATE
    const next = envelope(start + STRIDE)
    wobblePhase = fraction(wobblePhase + (vibrato.rate * STRIDE) / RATE)
    const depth = t < vibrato.after ? 0 : vibrato.depth * Math.min(1, (t - vibrato.after) * 3)
    const scoop = voice.scoop * Math.max(0, 1 - t / Math.max(0.001, voice.attack))
    const turn = 1 + depth * readTable(SINE, wobblePhase) - scoop
    const step = (frequency * turn * bent(start)) / RATE
    const table = tables.of(note.pitch, note.strength * (1 - voice.opens * (1 - level)))
    sound.fill(0)
    for (let v = 0; v < unison.length; v++)
      phases[v] = oscillate(table, phases[v]!, step * unison[v]!, v ? FOLLOWS : 1, sound, count)
    let gain = note.strength / weight
    if (tremble) {
      tremblePhase = fraction(tremblePhase + (tremble.rate * STRIDE) / RATE)
      gain *= 1 - tremble.depth * (0.5 + 0.5 * readTable(SINE, tremblePhase))
    }
    const breath = (noise.held * level + noise.begin * Math.max(0, 1 - t / 0.09)) * note.strength
    for (let n = 0; n < count; n++) {
      const now = level + ((next - level) * n) / STRIDE
      let y = sound[n]! * now * gain
      if (breath > 0) {
        low += f * band
        band += f * (random() * 2 - 1 - low - noise.wide * band)
        y += band * breath
      }
      out[from + start + n]! += y
    }
    level = next
  }
}

/** An instrument of sounds that are held: blown, bowed, sung or made by an oscillator. */
export function sustained(voice: SustainedVoice): Instrument {
  return (notes, frames, bend) => {
    const out = new Float32Array(frames)
    const random = randomSource(voice.seed)
    const tables = new Tables(voice)
    for (const note of notes) sing(voice, tables, note, out, random, bend)
    return [out]
  }
}
