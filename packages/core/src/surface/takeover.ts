/** Nearer than this a fader without a motor is taken to stand where its control is. */
const NEAR = 0.02

/**
 * Lets a fader without a motor take its control over softly: it does nothing until it passes the place where the control
 * stands, and then moves it from there on without a jump.
 */
export class Takeover {
  #last: number | null = null
  #taken = false

  /**
   * @param travel where the fader is now
   * @param control where its control stands
   * @returns whether the fader moves the control
   */
  takes(travel: number, control: number): boolean {
    const before = this.#last
    this.#last = travel
    if (this.#taken) return true
    const passed = before !== null && (before - control) * (travel - control) <= 0
    this.#taken = passed || Math.abs(travel - control) < NEAR
    return this.#taken
  }

  /** The control went away from the fader: it has to be met again. */
  lose(): void {
    this.#taken = false
  }
}
