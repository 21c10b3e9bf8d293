/** Numbers that the audio thread writes and the page reads, over shared memory. */

const POSITION = 0
const PLAYING = 1
const PEAK_LEFT = 2
const PEAK_RIGHT = 3
const LOUDNESS = 4
const BLOCKS = 5
const TRACKS = 8

/** As many as a mix can have: returns come and go while the memory stays. */
const MOST_TRACKS = 64
const MOST_RETURNS = 16
const RETURNS = TRACKS + MOST_TRACKS

/** Shared memory for any mix. */
export function createSharedState(): SharedArrayBuffer {
  return new SharedArrayBuffer((RETURNS + MOST_RETURNS) * Float64Array.BYTES_PER_ELEMENT)
}

/** The audio thread's side and the page's side of the same memory. */
export class SharedState {
  readonly #numbers: Float64Array

  constructor(memory: SharedArrayBuffer) {
    this.#numbers = new Float64Array(memory)
  }

  /** Samples from the start of the song. */
  get position(): number {
    return this.#numbers[POSITION]!
  }
  set position(samples: number) {
    this.#numbers[POSITION] = samples
  }

  get playing(): boolean {
    return this.#numbers[PLAYING] === 1
  }
  set playing(on: boolean) {
    this.#numbers[PLAYING] = on ? 1 : 0
  }

  /** Blocks processed so far: shows that the audio thread runs. */
  get blocks(): number {
    return this.#numbers[BLOCKS]!
  }

  /** Momentary loudness as mean square, K-weighted. */
  get energy(): number {
    return this.#numbers[LOUDNESS]!
  }

  peak(side: 'left' | 'right'): number {
    return this.#numbers[side === 'left' ? PEAK_LEFT : PEAK_RIGHT]!
  }

  trackPeak(index: number): number {
    return this.#numbers[TRACKS + index]!
  }

  returnPeak(index: number): number {
    return this.#numbers[RETURNS + index]!
  }

  /** Audio thread: keeps meters that fall by `fall` a block. */
  meter(left: number, right: number, energy: number, fall: number): void {
    const n = this.#numbers
    n[PEAK_LEFT] = Math.max(left, n[PEAK_LEFT]! * fall)
    n[PEAK_RIGHT] = Math.max(right, n[PEAK_RIGHT]! * fall)
    n[LOUDNESS] = energy
    n[BLOCKS]!++
  }

  meterTrack(index: number, peak: number, fall: number): void {
    this.#keep(TRACKS + index, peak, fall)
  }

  meterReturn(index: number, peak: number, fall: number): void {
    this.#keep(RETURNS + index, peak, fall)
  }

  #keep(at: number, peak: number, fall: number): void {
    this.#numbers[at] = Math.max(peak, this.#numbers[at]! * fall)
  }
}
