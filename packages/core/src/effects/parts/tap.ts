import type { DelayLine } from './delay-line'

/** A change of delay time becomes a crossfade of this many samples: 40 ms. */
export const CROSSFADE = 1764

/**
 * Where a delay is read: at one place, or, after its time changed, fading from the old place to the new one. So
 * a delay follows the tempo without a glide in pitch and without a click.
 */
export class Tap {
  #from = 0
  #to = -1
  #left = 0

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

  /** The place it comes from, the place it goes to, and the samples of the fade between them still to go. */
  get near(): number {
    return this.#from
  }
  get far(): number {
    return this.#to
  }
  get fading(): number {
    return this.#left
  }

  /** Moves on by a block that a kernel has read. */
  pass(frames: number): void {
    this.#left = Math.max(0, this.#left - frames)
    if (this.#left === 0) this.#from = this.#to
  }

  /** Moves on by a block: reads it from a line, `back` samples nearer than it aims, fading where it has to. */
  read(line: DelayLine, back: number, out: number, frames: number): void {
    line.readBlock(this.#from - back, out, frames)
    if (this.#left > 0) {
      const share = 1 - this.#left / CROSSFADE
      const far = this.#to
      this.pass(frames)
      line.mixBlock(far - back, out, frames, share, 1 - this.#left / CROSSFADE)
    }
  }

  reset(): void {
    this.#to = -1
    this.#left = 0
  }
}
