import type { AudioStore } from './audio'
import { BLOCK, Engine } from './engine'
import type { Program } from './program'

/** Sound comes and goes within this many samples at play, stop, a change of place and a loop's end: 5 ms. */
const FADE = 220

/** A stretch that is played round and round, in samples. */
export interface Loop {
  readonly start: number
  readonly end: number
}

/**
 * Drives the engine in real time: play, stop, change of place, loop, all without a click. Runs inside the
 * audio callback and allocates nothing there.
 */
export class Player {
  readonly engine: Engine
  /** Where it is, in samples. */
  position = 0
  loop: Loop | null = null

  readonly #left = new Float32Array(BLOCK)
  readonly #right = new Float32Array(BLOCK)
  #wantsToPlay = false
  #target: number | null = null
  #fade = 0

  constructor(program: Program, audio: AudioStore) {
    this.engine = new Engine(program, audio)
  }

  /** Whether it plays, or is about to. */
  get playing(): boolean {
    return this.#wantsToPlay
  }

  play(): void {
    if (this.position >= this.engine.length && !this.loop) this.seek(0)
    this.#wantsToPlay = true
  }

  stop(): void {
    this.#wantsToPlay = false
  }

  /** Goes to a sample; while playing, the sound fades out first. */
  seek(sample: number): void {
    const place = Math.max(0, Math.round(sample))
    if (this.#fade === 0) {
      this.position = place
      this.#target = null
      this.engine.reset()
    } else this.#target = place
  }

  /** Fills `left` and `right` (any length) with what comes next. */
  process(left: Float32Array, right: Float32Array): void {
    let done = 0
    while (done < left.length) {
      if (this.#idle()) {
        left.fill(0, done)
        right.fill(0, done)
        return
      }
      const frames = this.#framesBeforeChange(left.length - done)
      this.engine.process(this.position, frames, this.#left, this.#right)
      this.#shape(frames)
      left.set(frames === BLOCK ? this.#left : this.#left.subarray(0, frames), done)
      right.set(frames === BLOCK ? this.#right : this.#right.subarray(0, frames), done)
      done += frames
      this.position += frames
      this.#arrive()
    }
  }

  /** Settles changes that wait for silence; true where there is nothing to play. */
  #idle(): boolean {
    if (this.#fade > 0) return false
    if (this.#target !== null) {
      this.position = this.#target
      this.#target = null
      this.engine.reset()
    }
    return !this.#wantsToPlay
  }

  #framesBeforeChange(wanted: number): number {
    const toLoopEnd = this.loop && this.position < this.loop.end ? this.loop.end - this.position : BLOCK
    return Math.max(1, Math.min(wanted, BLOCK, toLoopEnd))
  }

  #shape(frames: number): void {
    const leaving = !this.#wantsToPlay || this.#target !== null
    for (let n = 0; n < frames; n++) {
      const nearEnd = this.loop ? this.loop.end - (this.position + n) : FADE
      const rising = !leaving && !(nearEnd >= 0 && nearEnd < FADE && this.loop)
      this.#fade = rising ? Math.min(FADE, this.#fade + 1) : Math.max(0, this.#fade - 1)
      if (this.#fade === FADE) continue
      const gain = this.#fade / FADE
      this.#left[n]! *= gain
      this.#right[n]! *= gain
    }
  }

  #arrive(): void {
    if (this.loop && this.position === this.loop.end) {
      this.position = this.loop.start
      this.engine.reset()
    } else if (this.position >= this.engine.length + FADE * 40) {
      this.#wantsToPlay = false
      this.#fade = 0
    }
  }
}
