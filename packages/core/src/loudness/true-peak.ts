import { sinPi } from '../maths'
import { PIECE, scratch } from '../kernels'

/** Taps on each side of the place that is interpolated. */
const HALF = 8

/**
 * Windowed sinc (cosine-sum window of four terms) at `shift` samples after a sample, for taps −HALF+1…HALF.
 */
function taps(shift: number): Float64Array {
  const h = new Float64Array(2 * HALF)
  let sum = 0
  for (let k = 0; k < 2 * HALF; k++) {
    const x = k - (HALF - 1) - shift
    const sinc = x === 0 ? 1 : sinPi(x) / (Math.PI * x)
    const w = 0.5 + x / (2 * (HALF + 0.5))
    // Hamming-like: keeps the passband flat to 20 kHz at 44.1 kHz within 0.2 dB
    const window = 0.54 - 0.46 * sinPi(2 * w + 0.5)
    h[k] = sinc * window
    sum += h[k]!
  }
  return h.map((v) => v / sum)
}

const QUARTER = taps(0.25)
const MIDDLE = taps(0.5)

/** Even and odd parts of the quarter filter: the filter at ¾ is its mirror image, so both come from one pass. */
const EVEN = new Float64Array(HALF)
const ODD = new Float64Array(HALF)
for (let k = 0; k < HALF; k++) {
  EVEN[k] = (QUARTER[k]! + QUARTER[2 * HALF - 1 - k]!) / 2
  ODD[k] = (QUARTER[k]! - QUARTER[2 * HALF - 1 - k]!) / 2
}

/** No interpolated value can exceed the largest sample in reach times this. */
const GROWTH = Math.max(sumOfMagnitudes(QUARTER), sumOfMagnitudes(MIDDLE))

/**
 * Nor can it be further from a sample beside it than the largest step between samples in reach times this: the
 * taps sum to 1, so the difference is a sum of steps, each weighted by the sum of the taps beyond it.
 */
const DRIFT = Math.max(sumOfSteps(QUARTER), sumOfSteps(MIDDLE))

function sumOfMagnitudes(h: Float64Array): number {
  return h.reduce((sum, v) => sum + Math.abs(v), 0)
}

/** From the sample on the far side: the worse of the two for the taps at a quarter. */
function sumOfSteps(h: Float64Array): number {
  const from = (base: number) => {
    let sum = 0
    let weight = 0
    for (let k = 2 * HALF - 1; k > base; k--) sum += Math.abs((weight += h[k]!))
    weight = 0
    for (let k = 0; k < base; k++) sum += Math.abs((weight += h[k]!))
    return sum
  }
  return Math.max(from(HALF - 1), from(HALF))
}

/** The three filters as the kernel reads them. */
const TAPS = Float64Array.of(...EVEN, ...ODD, ...MIDDLE.subarray(0, HALF))
/** Samples that an interpolated value reaches over. */
export const REACH = 2 * HALF

/**
 * Highest true peak of one channel (BS.1770-4, annex 2): the samples and three interpolated values between
 * each two, 176.4 kHz at 44.1 kHz. Places that cannot reach the peak so far are passed over.
 */
export class TruePeak {
  #peak = 0
  /** The samples before: a place is known when half of its reach has come after it. */
  readonly #last = new Float32Array(REACH)

  /** @param before what was heard before this begins: the last of it matter, {@link REACH} samples; silence, if missing */
  constructor(before: Float32Array = new Float32Array(0)) {
    this.#last.set(before, REACH - before.length)
  }

  /** Highest magnitude so far, as amplitude. Call {@link finish} first. */
  get peak(): number {
    return this.#peak
  }

  /** The highest magnitude since this was called last; what comes goes on as though nothing had been taken. */
  take(): number {
    const peak = this.#peak
    this.#peak = 0
    return peak
  }

  push(samples: Float32Array, from: number, to: number): void {
    const { kernels, samples: line, taps } = scratch()
    taps.view.set(TAPS)
    for (let start = from; start < to; start += PIECE) {
      const end = Math.min(to, start + PIECE)
      const n = end - start
      line.view.set(this.#last)
      line.view.set(samples.subarray(start, end), REACH)
      this.#peak = kernels.truePeak(line.at, n, this.#peak, taps.at, GROWTH, DRIFT)
      this.#last.set(line.view.subarray(n, n + REACH))
    }
  }

  /** Lets the last samples through. */
  finish(): void {
    this.push(new Float32Array(REACH), 0, REACH)
  }
}
