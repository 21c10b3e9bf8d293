/** Peaks of a recording while it is made, as a small waveform: it may become longer, its picture does not. */
export class Wave {
  readonly #peaks: number[] = []

  /** @param peak 0…1, of the next stretch of equal length */
  add(peak: number): void {
    this.#peaks.push(Math.min(1, Math.max(0, peak)))
  }

  /**
   * The waveform in at most so many equal parts, 0…100 each: the loudest of each part, beside the loudest of all. A whisper and a
   * shout look alike; silence stays flat.
   */
  parts(most: number): number[] {
    const count = Math.min(most, this.#peaks.length)
    const loudest = Math.max(QUIET, ...this.#peaks)
    return Array.from({ length: count }, (_, i) => {
      const [from, to] = [i, i + 1].map((k) => Math.floor((k * this.#peaks.length) / count)) as [
        number,
        number,
      ]
      return Math.round((Math.max(...this.#peaks.slice(from, to)) / loudest) * 100)
    })
  }
}

/** What stays under it is the noise of a room, and is not made to look like a voice. */
const QUIET = 0.02
