import { hz, RATE, type Instrument, type Note } from './note'
import { randomSource } from './random'
import { readTable, SINE, wavetable, type Wavetable } from './wavetable'

/** What makes one sustained sound differ from another. */
interface Voice {
  /** Tables for soft and loud playing; strength fades between them. */
  readonly soft: Wavetable
  readonly loud: Wavetable
  /** Detuning of each of the voices that sound together, as a factor on the frequency. */
  readonly unison: readonly number[]
  readonly attack: number
  readonly release: number
  readonly vibrato: { readonly rate: number; readonly depth: number; readonly after: number }
  /** Share of filtered noise around the note. */
  readonly noise: number
  /** How far the pitch starts below the note, as a share of the frequency. */
  readonly scoop: number
  /** Depth of the slow swell inside a long note. */
  readonly swell: number
  readonly seed: number
}

/** The table of a strength: soft and loud playing fade into each other. */
function tableOf({ soft, loud }: Voice, strength: number): Wavetable {
  return soft.map((v, n) => v * (1 - strength) + loud[n]! * strength)
}

function play(voice: Voice, table: Wavetable, note: Note, out: Float32Array, random: () => number): void {
  const frequency = hz(note.pitch)
  const from = Math.max(0, Math.round(note.start * RATE))
  const held = Math.round(note.seconds * RATE)
  const attack = Math.round(voice.attack * RATE)
  const release = Math.round(voice.release * RATE)
  const frames = Math.min(held + release, out.length - from)
  const phases = voice.unison.map(() => random())
  const gain = note.strength / voice.unison.length
  let vibratoPhase = random()
  let low = 0
  let band = 0
  const f = Math.min(0.9, (6.28 * frequency) / RATE)
  for (let n = 0; n < frames; n++) {
    let level = n < attack ? n / attack : 1
    if (n > held) level *= 1 - (n - held) / release
    level *= level * (3 - 2 * level)
    const t = n / RATE
    const vibrato =
      t < voice.vibrato.after ? 0 : voice.vibrato.depth * Math.min(1, (t - voice.vibrato.after) * 3)
    vibratoPhase += voice.vibrato.rate / RATE
    if (vibratoPhase >= 1) vibratoPhase -= 1
    const wobble = vibrato ? readTable(SINE, vibratoPhase) : 0
    const scoop = n < attack ? voice.scoop * (1 - n / attack) : 0
    const step = (frequency * (1 + vibrato * wobble - scoop)) / RATE
    let x = 0
    for (let v = 0; v < phases.length; v++) {
      let phase = phases[v]! + step * voice.unison[v]!
      if (phase >= 1) phase -= 1
      phases[v] = phase
      x += readTable(table, phase)
    }
    if (voice.noise) {
      const white = random() * 2 - 1
      low += f * band
      band += f * (white - low - 0.25 * band)
      x += voice.noise * band
    }
    const swell = 1 + voice.swell * readTable(SINE, Math.min(0.5, n / (2 * Math.max(1, held))))
    out[from + n]! += x * gain * level * swell * (1 + 2 * vibrato * wobble)
  }
}

function sustained(voice: Voice): Instrument {
  return (notes, frames) => {
    const out = new Float32Array(frames)
    const random = randomSource(voice.seed)
    const tables = new Map<number, Wavetable>()
    for (const note of notes) {
      const table = tables.get(note.strength) ?? tableOf(voice, note.strength)
      tables.set(note.strength, table)
      play(voice, table, note, out, random)
    }
    return [out]
  }
}

const falling = (count: number, power: number) =>
  Array.from({ length: count }, (_, i) => {
    let v = 1
    for (let k = 0; k < power; k++) v /= i + 1
    return v
  })

/** A hand-held reed organ: two reeds a little apart, nearly all harmonics, bellows that swell. */
export const squeezebox = sustained({
  soft: wavetable([1, 0.45, 0.5, 0.25, 0.3, 0.12, 0.15, 0.06, 0.08]),
  loud: wavetable([1, 0.7, 0.85, 0.55, 0.6, 0.4, 0.42, 0.3, 0.3, 0.22, 0.2, 0.16, 0.14, 0.1, 0.08]),
  unison: [0.9978, 1, 1.0024],
  attack: 0.07,
  release: 0.12,
  vibrato: { rate: 5.6, depth: 0.0008, after: 0.2 },
  noise: 0.01,
  scoop: 0,
  swell: 0.25,
  seed: 11,
})

/** A wooden whistle: almost a sine, breath around it, vibrato on what is held. */
export const whistle = sustained({
  soft: wavetable([1, 0.05, 0.02]),
  loud: wavetable([1, 0.2, 0.09, 0.03, 0.01]),
  unison: [1],
  attack: 0.045,
  release: 0.09,
  vibrato: { rate: 5.1, depth: 0.007, after: 0.28 },
  noise: 0.12,
  scoop: 0.03,
  swell: 0.18,
  seed: 23,
})

/** Someone humming: harmonics under a closed-mouth resonance near 280 Hz and a weak one near 1 kHz. */
export const hum = sustained({
  soft: wavetable([1, 0.7, 0.18, 0.07, 0.05, 0.02]),
  loud: wavetable([0.8, 1, 0.4, 0.22, 0.2, 0.08, 0.03]),
  unison: [0.9992, 1.0009],
  attack: 0.09,
  release: 0.16,
  vibrato: { rate: 4.7, depth: 0.011, after: 0.35 },
  noise: 0.015,
  scoop: 0.045,
  swell: 0.3,
  seed: 37,
})

/** Low bowed strings, several of them, slow to speak. */
export const lowStrings = sustained({
  soft: wavetable(falling(10, 1)),
  loud: wavetable(falling(26, 1)),
  unison: [0.9965, 1.0005, 1.0041],
  attack: 0.32,
  release: 0.4,
  vibrato: { rate: 5.3, depth: 0.004, after: 0.4 },
  noise: 0.02,
  scoop: 0,
  swell: 0.35,
  seed: 53,
})
