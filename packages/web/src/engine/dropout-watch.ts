/** Late by this much, in ms, counts: less than that is how unevenly a page's own clock is asked. */
const LATE_MS = 60

/**
 * Watches whether the sound keeps up: the audio clock must run as fast as the clock on the wall. Where it falls behind,
 * something was not heard.
 */
export class DropoutWatch {
  /** How often it fell behind. */
  count = 0
  #lead = NaN

  /**
   * @param clock seconds of the audio clock
   * @param wall ms of the clock on the wall
   * @returns whether it has just fallen behind
   */
  follow(clock: number, wall: number): boolean {
    const lead = clock * 1000 - wall
    if (!(lead < this.#lead - LATE_MS)) {
      if (!(lead <= this.#lead)) this.#lead = lead
      return false
    }
    this.count++
    this.#lead = lead
    return true
  }

  /** Begins anew: the clocks may stand apart otherwise than before. */
  reset(): void {
    this.#lead = NaN
  }
}
