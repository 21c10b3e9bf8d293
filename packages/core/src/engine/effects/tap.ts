import type { DelayLine } from './delay-line'

/** A change of delay time becomes a crossfade of this many samples: 40 ms. */
const CROSSFADE = 1764

/**
 * Where a delay is read: at one place, or, after its time changed, fading from the old place to the new one. So
 * a delay follows the tempo without a glide in pitch and without a click.
 */
export class Tap {
  #from = 0
  #to = -1
  #left = 0
  /** The two places to read, and the share of the second, for the current sample. */
  near = 0
  far = 0
  share = 0

  /** Says where it should read. Takes effect when the fade before it is over. */
  aim(delay: number): void {
    const place = Math.max(1, Math.round(delay))
    if (this.#to < 0) {
      this.#from = place
      this.#to = place
    }
    if (this.#left > 0 || place === this.#to) return
    this.#from = this.#to
    this.#to = place
    this.#left = CROSSFADE
  }

  /** Moves on by a sample. */
  step(): void {
    if (this.#left > 0) this.#left--
    this.near = this.#from
    this.far = this.#to
    this.share = 1 - this.#left / CROSSFADE
    if (this.#left === 0) this.#from = this.#to
  }

  /** Moves on by a block: reads it from a line, `back` samples nearer than it aims, fading where it has to. */
  read(line: DelayLine, back: number, out: Float32Array, frames: number): void {
    line.readBlock(this.#from - back, out, frames)
    if (this.#left > 0) {
      const share = 1 - this.#left / CROSSFADE
      this.#left = Math.max(0, this.#left - frames)
      line.mixBlock(this.#to - back, out, frames, share, 1 - this.#left / CROSSFADE)
      if (this.#left === 0) this.#from = this.#to
    }
  }

  reset(): void {
    this.#to = -1
    this.#left = 0
  }
}
