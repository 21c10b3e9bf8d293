/** Numbers that the audio thread writes and the page reads, over shared memory. */

const POSITION = 0
const PLAYING = 1
const PEAK_LEFT = 2
const PEAK_RIGHT = 3
const LOUDNESS = 4
const BLOCKS = 5
const SHORT_TERM = 6
const COUNTING = 7
/** Time in the callback and time that its blocks last, both in ms, summed since the start. */
const WORKED = 8
const LASTED = 9
const WAITING = 10
const TRACKS = 16

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

  /** Whether it would play on, and waits for recordings that are still on their way. */
  get waiting(): boolean {
    return this.#numbers[WAITING] === 1
  }
  set waiting(on: boolean) {
    this.#numbers[WAITING] = on ? 1 : 0
  }

  /** Blocks processed so far: shows that the audio thread runs. */
  get blocks(): number {
    return this.#numbers[BLOCKS]!
  }

  /** Momentary loudness as mean square, K-weighted. */
  get energy(): number {
    return this.#numbers[LOUDNESS]!
  }

  /** The same of the last 3 s. */
  get shortTerm(): number {
    return this.#numbers[SHORT_TERM]!
  }

  /** Beats still to be counted before it plays. */
  get counting(): number {
    return this.#numbers[COUNTING]!
  }
  set counting(beats: number) {
    this.#numbers[COUNTING] = beats
  }

  /** How long the audio thread worked, and how long what it made lasts, in ms since the start. */
  get work(): { readonly worked: number; readonly lasted: number } {
    return { worked: this.#numbers[WORKED]!, lasted: this.#numbers[LASTED]! }
  }

  /** Audio thread: adds a block to the time it has worked. */
  addWork(worked: number, lasted: number): void {
    this.#numbers[WORKED]! += worked
    this.#numbers[LASTED]! += lasted
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
  meter(left: number, right: number, energy: number, shortTerm: number, fall: number): void {
    const n = this.#numbers
    n[PEAK_LEFT] = Math.max(left, n[PEAK_LEFT]! * fall)
    n[PEAK_RIGHT] = Math.max(right, n[PEAK_RIGHT]! * fall)
    n[LOUDNESS] = energy
    n[SHORT_TERM] = shortTerm
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
