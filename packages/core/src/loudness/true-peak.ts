import { sinPi } from '../maths'

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

const REACH = 2 * HALF
const CHUNK = 32

/**
 * Highest true peak of one channel (BS.1770-4, annex 2): the samples and three interpolated values between
 * each two, 176.4 kHz at 44.1 kHz. Places that cannot reach the peak so far are passed over.
 */
export class TruePeak {
  #peak = 0
  readonly #line = new Float64Array(REACH + 4096)

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
    for (let start = from; start < to; start += 4096) {
      const n = Math.min(4096, to - start)
      const line = this.#line
      for (let k = 0; k < n; k++) line[REACH + k] = samples[start + k]!
      this.#peak = scan(line, n, this.#peak)
      line.copyWithin(0, n, n + REACH)
    }
  }

  /** Lets the last samples through. */
  finish(): void {
    this.push(new Float32Array(REACH), 0, REACH)
  }
}

/** The peak after the places that a line with `count` new entries completes. */
function scan(x: Float64Array, count: number, before: number): number {
  let peak = before
  for (let from = 0; from < count; from += CHUNK) {
    const to = Math.min(count, from + CHUNK)
    let highest = 0
    let steepest = 0
    let last = x[from]!
    for (let n = from + 1; n < to + REACH; n++) {
      const a = x[n]!
      const magnitude = Math.abs(a)
      const step = Math.abs(a - last)
      if (magnitude > highest) highest = magnitude
      if (step > steepest) steepest = step
      last = a
    }
    if (highest > peak) peak = highest
    const drift = DRIFT * steepest
    if (highest * GROWTH <= peak || highest + drift <= peak) continue
    peak = interpolate(x, from + 1, to, peak, drift)
  }
  return peak
}

/**
 * The peak after the three places in each gap of which one end is within `drift` of it. The taps are read into
 * locals: a module's constants are looked up at every use.
 */
function interpolate(x: Float64Array, first: number, last: number, before: number, drift: number): number {
  const e0 = EVEN[0]!
  const e1 = EVEN[1]!
  const e2 = EVEN[2]!
  const e3 = EVEN[3]!
  const e4 = EVEN[4]!
  const e5 = EVEN[5]!
  const e6 = EVEN[6]!
  const e7 = EVEN[7]!
  const o0 = ODD[0]!
  const o1 = ODD[1]!
  const o2 = ODD[2]!
  const o3 = ODD[3]!
  const o4 = ODD[4]!
  const o5 = ODD[5]!
  const o6 = ODD[6]!
  const o7 = ODD[7]!
  const m0 = MIDDLE[0]!
  const m1 = MIDDLE[1]!
  const m2 = MIDDLE[2]!
  const m3 = MIDDLE[3]!
  const m4 = MIDDLE[4]!
  const m5 = MIDDLE[5]!
  const m6 = MIDDLE[6]!
  const m7 = MIDDLE[7]!
  let peak = before
  for (let n = first; n <= last; n++) {
    const a7 = x[n + 7]!
    const b7 = x[n + 8]!
    const near = Math.max(Math.abs(a7), Math.abs(b7))
    if (near + drift <= peak) continue
    const a0 = x[n]!
    const b0 = x[n + 15]!
    const a1 = x[n + 1]!
    const b1 = x[n + 14]!
    const a2 = x[n + 2]!
    const b2 = x[n + 13]!
    const a3 = x[n + 3]!
    const b3 = x[n + 12]!
    const a4 = x[n + 4]!
    const b4 = x[n + 11]!
    const a5 = x[n + 5]!
    const b5 = x[n + 10]!
    const a6 = x[n + 6]!
    const b6 = x[n + 9]!
    const s0 = a0 + b0
    const s1 = a1 + b1
    const s2 = a2 + b2
    const s3 = a3 + b3
    const s4 = a4 + b4
    const s5 = a5 + b5
    const s6 = a6 + b6
    const s7 = a7 + b7
    const even = e0 * s0 + e1 * s1 + e2 * s2 + e3 * s3 + (e4 * s4 + e5 * s5 + e6 * s6 + e7 * s7)
    const odd =
      o0 * (a0 - b0) +
      o1 * (a1 - b1) +
      o2 * (a2 - b2) +
      o3 * (a3 - b3) +
      (o4 * (a4 - b4) + o5 * (a5 - b5) + o6 * (a6 - b6) + o7 * (a7 - b7))
    const middle = m0 * s0 + m1 * s1 + m2 * s2 + m3 * s3 + (m4 * s4 + m5 * s5 + m6 * s6 + m7 * s7)
    // |even + odd| and |even − odd| are at most |even| + |odd|, and one of them is exactly that
    const sides = Math.abs(even) + Math.abs(odd)
    const centre = Math.abs(middle)
    if (sides > peak) peak = sides
    if (centre > peak) peak = centre
  }
  return peak
}
