import { ref } from 'vue'

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

/** So long it is said, in ms. */
const SAID_MS = 6000

/** Says for a while that the sound has stuttered: the machine does not keep up. */
export function useDropoutWatch() {
  const watcher = new DropoutWatch()
  const stuttered = ref(false)
  let ends: ReturnType<typeof setTimeout> | undefined

  /** @param clock seconds of the audio clock. A page that was hidden starts afresh */
  function keepWatch(clock: number, playing: boolean): void {
    if (!playing || document.hidden) return watcher.reset()
    if (!watcher.follow(clock, performance.now())) return
    stuttered.value = true
    clearTimeout(ends)
    ends = setTimeout(() => (stuttered.value = false), SAID_MS)
  }

  return { stuttered, keepWatch }
}
