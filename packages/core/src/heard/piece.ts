import { BLOCK, type Bus } from '../engine'
import { scratch, type Floats } from '../kernels'
import { StereoEnergy, TruePeak, type SideEnergies } from '../loudness'
import { SAMPLE_RATE } from '../time'
import { emptyPart, HOPS, type Part } from './part'
import type { SectionLooks } from './section-looks'

/** Samples of a hop. */
export const HOP = SAMPLE_RATE / HOPS
/** Hops that are measured at a time: little enough to stay in fast memory. */
export const HOPS_AT_ONCE = 8
/** Room for those hops and for what a block brings beyond them. */
const ROOM = HOPS_AT_ONCE * HOP + BLOCK

/** A piece of sound and what is measured of it, piece after piece. It lies in the meters' own memory. */
export class Piece {
  readonly #memory = scratch().memory.part()
  readonly left = this.#memory.floats(ROOM)
  readonly right = this.#memory.floats(ROOM)
  readonly part: Part
  readonly #weighting = new StereoEnergy(SAMPLE_RATE)
  readonly #peaks = [new TruePeak(), new TruePeak()] as const
  readonly #energies: SideEnergies = { left: 0, right: 0 }
  readonly #before = [0, 0]

  /** @param whole with true peaks, as amplitudes @param bright with how bright it is */
  constructor(hops: number, whole = false, bright = whole) {
    this.part = emptyPart(hops, whole, bright)
  }

  /**
   * Measures the first `count` hops of the piece, which are hops `first` and on of the song. What came after them is at the
   * start then.
   */
  measure(first: number, count: number): void {
    const { left, right, part } = this
    const sums = this.#energies
    for (let k = 0; k < count; k++) {
      const from = k * HOP
      this.#weighting.sum(left, right, from, from + HOP, sums)
      part.left[first + k] = sums.left / HOP
      part.right[first + k] = sums.right / HOP
      if (part.peaks)
        part.peaks[first + k] = Math.max(this.#peak(0, left.view, from), this.#peak(1, right.view, from))
      if (part.bright) {
        this.#brighten(0, left, from, first + k)
        this.#brighten(1, right, from, first + k)
      }
    }
    left.view.copyWithin(0, count * HOP)
    right.view.copyWithin(0, count * HOP)
  }

  #peak(side: 0 | 1, samples: Float32Array, from: number): number {
    const peak = this.#peaks[side]
    peak.push(samples, from, from + HOP)
    return peak.take()
  }

  #brighten(side: 0 | 1, samples: Floats, from: number, hop: number): void {
    const { kernels, out } = scratch()
    const bright = this.part.bright!
    kernels.squares(samples.at + from * 4, HOP, this.#before[side]!, out.at)
    this.#before[side] = samples.view[from + HOP - 1]!
    bright.plain[hop]! += out.view[0]! / HOP
    bright.steep[hop]! += out.view[1]! / HOP
  }

  /** Gives its memory back; what was measured stays. */
  dispose(): void {
    this.#memory.release()
  }
}

/** A track as it comes out of an engine: with its share of the returns, and that share alone. */
export class TrackPiece {
  readonly own: Piece
  readonly share: Piece | null

  constructor(
    readonly id: string,
    hops: number,
    private readonly whole: Bus,
    private readonly returned: Bus | null,
    /** What is seen of it in the critical bands, where somebody wants to know. */
    readonly looks: SectionLooks | null,
  ) {
    this.own = new Piece(hops, false, true)
    this.share = returned ? new Piece(hops) : null
  }

  /** Takes a block of `n` samples over, `at` samples into the piece and `place` into the song. */
  take(at: number, n: number, place: number): void {
    copy(this.whole, this.own, at, n)
    if (this.share) copy(this.returned!, this.share, at, n)
    this.looks?.take(place)
  }

  measure(first: number, count: number): void {
    this.own.measure(first, count)
    this.share?.measure(first, count)
  }

  dispose(): void {
    this.own.dispose()
    this.share?.dispose()
  }
}

function copy({ left, right }: Bus, piece: Piece, at: number, n: number): void {
  piece.left.view.set(n < left.view.length ? left.view.subarray(0, n) : left.view, at)
  piece.right.view.set(n < right.view.length ? right.view.subarray(0, n) : right.view, at)
}
