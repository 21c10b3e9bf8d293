import { hz, RATE, type Instrument, type Note } from './note'
import { randomSource } from './random'

interface StringKind {
  /** Loss a turn, just under 1: longer for a harp, shorter for a bass. */
  readonly hold: number
  /** 0…1: how dull the pluck is. */
  readonly dull: number
  /** Where it is plucked, as a share of the string. */
  readonly place: number
  readonly damp: number
  readonly seed: number
}

/** A plucked string as a delay line with a gentle low-pass in its loop (Karplus and Strong, 1983). */
function pluck(kind: StringKind, note: Note, out: Float32Array, random: () => number): void {
  const period = RATE / hz(note.pitch) - 0.5
  const length = Math.floor(period)
  const line = new Float64Array(length + 1)
  let smooth = 0
  for (let n = 0; n <= length; n++) {
    const dull = kind.dull + (1 - note.strength) * 0.25
    smooth += (1 - Math.min(0.96, dull)) * (random() * 2 - 1 - smooth)
    line[n] = smooth
  }
  const comb = Math.max(1, Math.floor(length * kind.place))
  const plucked = line.map((v, n) => v - line[(n + comb) % (length + 1)]!)
  let peak = 0
  for (const v of plucked) peak = Math.max(peak, Math.abs(v))
  const share = period - length
  const from = Math.max(0, Math.round(note.start * RATE))
  const held = Math.round(note.seconds * RATE)
  const frames = Math.min(held + Math.round(kind.damp * RATE), out.length - from)
  let at = 0
  let before = 0
  for (let n = 0; n < frames; n++) {
    const next = at === length ? 0 : at + 1
    const now = plucked[at]! * (1 - share) + plucked[next]! * share
    const fade = n > held ? 1 - (n - held) / (frames - held) : 1
    out[from + n]! += (plucked[at]! / peak) * note.strength * fade
    plucked[at] = kind.hold * 0.5 * (now + before)
    before = now
    at = next
  }
}

function plucked(kind: StringKind): Instrument {
  return (notes, frames) => {
    const out = new Float32Array(frames)
    const random = randomSource(kind.seed)
    for (const note of notes) pluck(kind, note, out, random)
    return [out]
  }
}

/** A small harp. */
export const harp = plucked({ hold: 0.9985, dull: 0.3, place: 0.22, damp: 0.35, seed: 71 })

/** An upright bass. */
export const uprightBass = plucked({ hold: 0.996, dull: 0.82, place: 0.12, damp: 0.12, seed: 83 })
