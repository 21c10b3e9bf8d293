import { Arrival } from './arrival'
import type { AudioStore } from './audio'
import { SAMPLE_RATE } from '../time'
import { beatAt, type Beats } from './beats'
import { BLOCK, Engine } from './engine'
import { Monitor } from './monitor'
import type { Program } from './program'
import { isSamePath } from './same-path'

/** Sound comes and goes within this many samples at play, stop, a change of place and a loop's end: 5 ms. */
const FADE = 220

/** Samples ahead that have to be there: the sound sinks within them, and a callback is shorter. */
const AHEAD = 4096

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
  /** Whether a bar is counted before it plays. */
  countIn = false
  /** What is added for the ear alone. */
  readonly monitor = new Monitor()

  readonly #left = new Float32Array(BLOCK)
  readonly #right = new Float32Array(BLOCK)
  #wantsToPlay = false
  #target: number | null = null
  #fade = 0
  #beats: Beats
  #program: Program
  /** A program in which the sound takes another path: it is taken over in a moment of silence. */
  #coming: Program | null = null
  /** The bar that is counted: its beats, the samples of one, and the samples still to go. */
  #count = { beats: 0, gap: 0, left: 0 }
  readonly #arrival: Arrival
  /** Whether it would play on, and what comes next is not there yet. */
  #waits = false

  constructor(program: Program, audio: AudioStore) {
    this.engine = new Engine(program, audio)
    this.#beats = program.beats
    this.#program = program
    this.#arrival = new Arrival(audio)
  }

  /**
   * Takes a changed program over at its next block. Settings and lines run on from where they are; where effects, sends or
   * returns come or go, the sound sinks for 5 ms and rises again, since a path cannot be ramped into another.
   */
  load(program: Program): void {
    this.#beats = program.beats
    if (this.#fade > 0 && !isSamePath(this.#program, program)) this.#coming = program
    else {
      this.#coming = null
      this.#program = program
      this.engine.load(program)
    }
  }

  /** Beats still to be counted before it plays; 0 where none. */
  get counting(): number {
    return this.#count.left > 0 ? Math.ceil(this.#count.left / this.#count.gap) : 0
  }

  /** Whether it wants to play, and waits for recordings that are still on their way. */
  get waiting(): boolean {
    return this.#wantsToPlay && this.#waits
  }

  /** Whether it plays, or is about to. */
  get playing(): boolean {
    return this.#wantsToPlay
  }

  play(): void {
    if (this.position >= this.engine.length && !this.loop) this.seek(0)
    if (this.countIn && !this.#wantsToPlay) this.#startCount()
    this.#wantsToPlay = true
  }

  stop(): void {
    this.#count.left = 0
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
    this.#lookAhead()
    while (done < left.length) {
      if (this.#idle()) {
        left.fill(0, done)
        right.fill(0, done)
        this.monitor.pass(left.length - done)
        return
      }
      if (this.#count.left > 0) {
        const counted = this.#countBlock(left.length - done)
        left.fill(0, done, done + counted)
        right.fill(0, done, done + counted)
        done += counted
        continue
      }
      const frames = this.#framesBeforeChange(left.length - done)
      this.engine.process(this.position, frames, this.#left, this.#right)
      this.#shape(frames)
      this.monitor.follow(this.#beats, this.position, frames)
      // sample by sample: a view of a part would be something new in every callback
      for (let n = 0; n < frames; n++) {
        left[done + n] = this.#left[n]!
        right[done + n] = this.#right[n]!
      }
      done += frames
      this.position += frames
      this.#arrive()
    }
  }

  /** Counts the bar that the play position is in, at its own tempo. */
  #startCount(): void {
    const { at, downbeat } = this.#beats
    let first = Math.max(0, beatAt(this.#beats, this.position))
    while (first > 0 && !downbeat[first]) first--
    let next = first + 1
    while (next < at.length - 1 && !downbeat[next]) next++
    const beats = Math.max(1, next - first)
    const gap = next < at.length ? (at[next]! - at[first]!) / beats : SAMPLE_RATE / 2
    this.#count = { beats, gap, left: Math.round(gap * beats) }
  }

  /** Clicks on through the counted bar. @returns the frames that went by */
  #countBlock(wanted: number): number {
    const { beats, gap, left } = this.#count
    const frames = Math.min(wanted, BLOCK, left)
    const done = Math.round(gap * beats) - left
    const beat = Math.ceil(done / gap)
    const after = Math.round(beat * gap) - done
    if (beat < beats && after < frames) this.monitor.strike(beat === 0, after)
    this.monitor.pass(frames)
    this.#count.left -= frames
    return frames
  }

  /** Settles changes that wait for silence; true where there is nothing to play. */
  #idle(): boolean {
    if (this.#fade > 0) return false
    if (this.#coming !== null) this.load(this.#coming)
    if (this.#target !== null) {
      this.position = this.#target
      this.#target = null
      this.engine.reset()
    }
    return !this.#wantsToPlay || this.#waits
  }

  /** Looks whether what comes next is there: so far ahead that the sound can sink before it is not. */
  #lookAhead(): void {
    if (!this.#wantsToPlay) {
      this.#waits = false
      return
    }
    const at = this.#target ?? this.position
    this.#waits = !this.#arrival.isThere(this.#program, at, at + AHEAD)
  }

  #framesBeforeChange(wanted: number): number {
    const toLoopEnd = this.loop && this.position < this.loop.end ? this.loop.end - this.position : BLOCK
    return Math.max(1, Math.min(wanted, BLOCK, toLoopEnd))
  }

  #shape(frames: number): void {
    const leaving = !this.#wantsToPlay || this.#waits || this.#target !== null || this.#coming !== null
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
