/** How long the highest peak stays marked, in ms. */
const HOLD_MS = 1500
/** Above this a meter says "over": full scale. */
const FULL_SCALE = 0

/** What a meter shows. */
export interface HeldPeak {
  /** dBFS, now. */
  readonly now: number
  /** dBFS, the highest of the last moment. */
  readonly held: number
  /** Whether it was over full scale since this was last taken back. */
  readonly over: boolean
}

export const SILENT: HeldPeak = { now: -Infinity, held: -Infinity, over: false }

/** Follows one meter: holds its highest peak for a moment, and remembers that it was over until it is told to forget. */
export class PeakHold {
  #held = -Infinity
  #until = 0
  #over = false
  #last = SILENT

  /** @param now dBFS @param time ms of any steady clock */
  follow(now: number, time: number): HeldPeak {
    if (now >= this.#held || time > this.#until) {
      this.#held = now
      this.#until = time + HOLD_MS
    }
    if (now > FULL_SCALE) this.#over = true
    const { held, over } = { held: this.#held, over: this.#over }
    const before = this.#last
    // the same object while nothing changes: whoever shows it has nothing to do then
    if (now !== before.now || held !== before.held || over !== before.over) this.#last = { now, held, over }
    return this.#last
  }

  forget(): void {
    this.#over = false
    this.#held = -Infinity
  }
}

/** A hold for each of a list of meters that may grow and shrink. */
export class PeakHolds {
  readonly #holds: PeakHold[] = []
  #last: readonly HeldPeak[] = []

  /** The same list as the last time while nothing changes. */
  follow(peaks: readonly number[], time: number): readonly HeldPeak[] {
    const next = peaks.map((now, i) => (this.#holds[i] ??= new PeakHold()).follow(now, time))
    if (next.length !== this.#last.length || next.some((p, i) => p !== this.#last[i])) this.#last = next
    return this.#last
  }

  forget(): void {
    for (const hold of this.#holds) hold.forget()
  }
}
