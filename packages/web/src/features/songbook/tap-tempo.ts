/** Taps that are further apart than this begin anew, in ms. */
const PAUSE = 2500
const MOST = 16

/** A tempo from taps: the median of what lies between them, which one tap that came late does not bend. */
export class TapTempo {
  #taps: number[] = []

  /** @param at when, in ms @returns beats a minute from the third tap on */
  tap(at: number): number | null {
    if (at - (this.#taps.at(-1) ?? -Infinity) > PAUSE) this.#taps = []
    this.#taps = [...this.#taps, at].slice(-MOST)
    const gaps = this.#taps
      .slice(1)
      .map((t, i) => t - this.#taps[i]!)
      .sort((a, b) => a - b)
    if (gaps.length < 2) return null
    const middle = gaps.length >> 1
    const gap = gaps.length % 2 ? gaps[middle]! : (gaps[middle - 1]! + gaps[middle]!) / 2
    return gap > 0 ? Math.round(600_000 / gap) / 10 : null
  }
}
