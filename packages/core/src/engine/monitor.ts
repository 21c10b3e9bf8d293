import { exp, sinPi } from '../maths'
import { SAMPLE_RATE } from '../time'
import { beatAt, type Beats } from './beats'
import { BLOCK } from './block'

/** A click lasts 40 ms. */
const CLICK = 1764
const PITCH = { beat: 1000, downbeat: 1500 } as const
/** Amplitude of a click: well heard and far from loud, about −14 dBFS at its start. */
const STRENGTH = 0.2

/** A sine that dies away, from and to exactly nothing. */
function click(pitch: number): Float32Array {
  return Float32Array.from({ length: CLICK }, (_, n) => {
    const shape = exp((-6 * n) / CLICK) * (1 - n / CLICK)
    return STRENGTH * shape * sinPi((2 * pitch * n) / SAMPLE_RATE)
  })
}

/**
 * What is added for the ear alone, after everything that is measured: clicks on the beats, and both sides in one. It
 * changes neither the mix nor any meter. Allocates nothing while it plays.
 */
export class Monitor {
  /** Whether the beats are clicked while it plays. */
  metronome = false
  /** Whether both sides get the same, as from one loudspeaker. */
  mono = false
  /** Gain that everything is heard with, to compare mixes at one loudness; taken over within a block, without a step. */
  trim = 1

  #trimmed = 1
  readonly #clicks = { beat: click(PITCH.beat), downbeat: click(PITCH.downbeat) }
  readonly #added = new Float32Array(BLOCK)
  #sounding: Float32Array | null = null
  #at = 0
  /** Frames of the block that are settled, and those of the present stretch that are rendered. */
  #filled = 0
  #rendered = 0

  /** Adds the clicks of a stretch of the song to what comes next. */
  follow(beats: Beats, from: number, frames: number): void {
    if (this.metronome) {
      for (let i = Math.max(0, beatAt(beats, from - 1)); i < beats.at.length; i++) {
        const at = beats.at[i]! - from
        if (at >= frames) break
        if (at >= 0) this.strike(beats.downbeat[i] === 1, at)
      }
    }
    this.pass(frames)
  }

  /** Starts a click so many frames after what was passed last. */
  strike(downbeat: boolean, after: number): void {
    this.#render(after)
    this.#sounding = downbeat ? this.#clicks.downbeat : this.#clicks.beat
    this.#at = 0
  }

  /** Lets so many frames go by. */
  pass(frames: number): void {
    this.#render(frames)
    this.#filled = Math.min(BLOCK, this.#filled + frames)
    this.#rendered = 0
  }

  /** Puts everything onto a block that is about to be heard. */
  apply(left: Float32Array, right: Float32Array): void {
    if (this.trim !== 1 || this.#trimmed !== 1) this.#trim(left, right)
    if (this.mono) {
      for (let n = 0; n < left.length; n++) {
        const middle = 0.5 * (left[n]! + right[n]!)
        left[n] = middle
        right[n] = middle
      }
    }
    const added = this.#added
    for (let n = 0; n < this.#filled && n < left.length; n++) {
      left[n]! += added[n]!
      right[n]! += added[n]!
    }
    added.fill(0)
    this.#filled = 0
  }

  #trim(left: Float32Array, right: Float32Array): void {
    const step = (this.trim - this.#trimmed) / left.length
    for (let n = 0; n < left.length; n++) {
      const gain = this.#trimmed + step * (n + 1)
      left[n]! *= gain
      right[n]! *= gain
    }
    this.#trimmed = this.trim
  }

  /** Writes what sounds, from what was rendered of this stretch up to `to`. */
  #render(to: number): void {
    const sound = this.#sounding
    for (let n = this.#rendered; n < to; n++) {
      const place = this.#filled + n
      if (!sound || place >= BLOCK) continue
      const at = this.#at++
      if (at < sound.length) this.#added[place] = sound[at]!
    }
    this.#rendered = to
    if (sound && this.#at >= sound.length) this.#sounding = null
  }
}
