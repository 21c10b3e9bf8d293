import { exp } from '../../maths'
import { hz, RATE, type Bend, type Instrument, type Note } from '../note'
import { randomSource } from '../random'
import { bentNote } from './bend-curve'

/** What makes one plucked string differ from another. */
export interface StringVoice {
  /** Seconds in which a string falls by 60 dB, at a pitch. */
  readonly rings: (pitch: number) => number
  /** How much each turn dulls it, 0 (not) … 1 (as much as the mean of two samples does). */
  readonly dulls: number
  /** How bright the pluck is, 0…1, at full strength; softer plucks are duller. */
  readonly pluck: number
  /** Where it is plucked, as a share of the string: harmonics that rest there are missing. */
  readonly place: number
  /** Seconds in which it is damped when it is let go. */
  readonly damped: number
  readonly seed: number
}

/** Room on the line for strings bent down by two octaves, as far as a wheel is followed; a wheel and a slide together go no further. */
const ROOM = 4

/**
 * A plucked string: a delay line whose loop dulls and shrinks what goes round (K. Karplus and A. Strong 1983), tuned by reading
 * between samples (D. A. Jaffe and J. O. Smith 1983), so that it can be bent while it rings.
 */
function pluck(
  voice: StringVoice,
  note: Note,
  out: Float32Array,
  random: () => number,
  bend: Bend | undefined,
): void {
  const frequency = hz(note.pitch)
  const from = Math.max(0, Math.round(note.start * RATE))
  const held = Math.round(note.seconds * RATE)
  const damping = Math.max(1, Math.round(voice.damped * RATE))
  const frames = Math.min(held + damping, Math.round(8 * RATE), out.length - from)
  if (frames <= 0) return
  const period = RATE / frequency
  const size = Math.ceil(period * ROOM) + 4
  const line = new Float64Array(size)
  excite(voice, note.strength, Math.round(period), line, random)
  // a one-zero loop filter: half of `dulls` comes from the sample before, and takes as much time
  const before = 0.5 * voice.dulls
  const shrink = exp((-6.907755 * period) / (voice.rings(note.pitch) * RATE))
  const bent = bentNote(note, from, bend)
  let write = Math.round(period) % size
  let last = 0
  for (let n = 0; n < frames; n++) {
    const delay = period / Math.max(1 / ROOM, bent(n)) - before
    let at = write - delay
    while (at < 0) at += size
    const i = Math.floor(at)
    const share = at - i
    const a = line[i]!
    const now = a + (line[i + 1 === size ? 0 : i + 1]! - a) * share
    const y = shrink * (now * (1 - before) + last * before)
    last = now
    line[write] = y
    write = write + 1 === size ? 0 : write + 1
    const left = n > held ? 1 - (n - held) / damping : 1
    out[from + n]! += now * note.strength * left * left
  }
}

/**
 * What the finger leaves on the string: a corner at the place of the pluck, which runs both ways (harmonics sin(kπp)/k, N. Fletcher
 * and T. Rossing 1998, ch. 2), rounded off by how softly it is plucked, with a little of the nail's noise.
 */
function excite(
  { pluck: bright, place }: StringVoice,
  strength: number,
  length: number,
  line: Float64Array,
  random: () => number,
): void {
  const open = Math.max(0.03, bright * (0.45 + 0.55 * strength))
  const corner = Math.max(1, Math.round(length * place))
  let smooth = 0
  let smoother = 0
  // twice round, so that it begins as it ends
  for (let n = -length; n < length; n++) {
    const turn = n < 0 ? n + length : n
    const raw = (turn < corner ? 1 - place : -place) + 0.15 * (random() * 2 - 1)
    smooth += open * (raw - smooth)
    smoother += open * (smooth - smoother)
    if (n >= 0) line[n] = smoother
  }
  let mean = 0
  for (let n = 0; n < length; n++) mean += line[n]! / length
  let energy = 0
  for (let n = 0; n < length; n++) energy += (line[n]! -= mean) * line[n]!
  const scale = energy > 0 ? 0.3 / Math.sqrt(energy / length) : 0
  for (let n = 0; n < length; n++) line[n]! *= scale
}

/** An instrument of plucked strings. */
export function strings(voice: StringVoice): Instrument {
  return (notes, frames, bend) => {
    const out = new Float32Array(frames)
    const random = randomSource(voice.seed)
    for (const note of notes) pluck(voice, note, out, random, bend)
    return [out]
  }
}
