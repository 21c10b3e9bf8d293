import { cosPi, sinPi } from '../maths'
import { SAMPLE_RATE } from '../time'

/** Edges of the 24 critical bands of hearing in Hz (E. Zwicker, Subdivision of the Audible Frequency Range into Critical Bands, 1961). */
export const BARK_EDGES = [
  0, 100, 200, 300, 400, 510, 630, 770, 920, 1080, 1270, 1480, 1720, 2000, 2320, 2700, 3150, 3700, 4400, 5300,
  6400, 7700, 9500, 12_000, 15_500,
] as const
export const BANDS = BARK_EDGES.length - 1

/** Samples of a look at the spectrum: its lines lie 10.8 Hz apart, closer than the narrowest band is wide. */
export const LOOK = 4096

const WINDOW = Float64Array.from({ length: LOOK }, (_, n) => 0.5 - 0.5 * cosPi((2 * n) / LOOK))
const COS = Float64Array.from({ length: LOOK / 2 }, (_, k) => cosPi((2 * k) / LOOK))
const SIN = Float64Array.from({ length: LOOK / 2 }, (_, k) => sinPi((2 * k) / LOOK))
const BITS = 31 - Math.clz32(LOOK)
const REVERSED = Uint32Array.from({ length: LOOK }, (_, n) => {
  let turned = 0
  for (let bit = 0; bit < BITS; bit++) if (n & (1 << bit)) turned |= 1 << (BITS - 1 - bit)
  return turned
})
/** The band of each line of the spectrum; −1 above the last. */
const BAND_OF = Int8Array.from({ length: LOOK / 2 + 1 }, (_, k) => {
  const hz = (k * SAMPLE_RATE) / LOOK
  const band = BARK_EDGES.findLastIndex((edge) => hz >= edge)
  return band < BANDS ? band : -1
})

/** Turns a look round into its spectrum, in place (J. W. Cooley and J. W. Tukey, 1965, radix 2). */
function transform(re: Float64Array, im: Float64Array): void {
  for (let half = 1; half < LOOK; half *= 2) {
    const stride = LOOK / (2 * half)
    for (let start = 0; start < LOOK; start += 2 * half) {
      // nothing is taken apart or put together here: this runs some hundred million times a song
      for (let k = 0; k < half; k++) {
        const a = start + k
        const b = a + half
        const c = COS[k * stride]!
        const s = SIN[k * stride]!
        const x = re[b]! * c + im[b]! * s
        const y = im[b]! * c - re[b]! * s
        const r = re[a]!
        const i = im[a]!
        re[b] = r - x
        im[b] = i - y
        re[a] = r + x
        im[a] = i + y
      }
    }
  }
}

const isSilent = (samples: ArrayLike<number>): boolean => {
  for (let n = 0; n < LOOK; n++) if (samples[n] !== 0) return false
  return true
}

const square = (x: number) => x * x

/** Sums the energy of a sound in every critical band, look by look. */
export class BandMeter {
  readonly #re = new Float64Array(LOOK)
  readonly #im = new Float64Array(LOOK)

  /**
   * Adds the energies of one look to `into`, one number a band: mean squares, both sides together.
   * @param left, right {@link LOOK} samples of each side
   */
  add(left: ArrayLike<number>, right: ArrayLike<number>, into: Float64Array): void {
    if (isSilent(left) && isSilent(right)) return
    const [re, im] = [this.#re, this.#im]
    // one side is taken for the real part and the other for the imaginary one: both come out of one transform
    for (let n = 0; n < LOOK; n++) {
      const at = REVERSED[n]!
      re[at] = left[n]! * WINDOW[n]!
      im[at] = right[n]! * WINDOW[n]!
    }
    transform(re, im)
    for (let k = 1; k < LOOK / 2; k++) {
      const band = BAND_OF[k]!
      if (band < 0) break
      const j = LOOK - k
      // |Z(k)|² + |Z(−k)|² is twice |L|² + |R|², whatever one side has to do with the other
      into[band]! += (square(re[k]!) + square(im[k]!) + square(re[j]!) + square(im[j]!)) * SCALE
    }
  }
}

/** Of a transform without a factor (Parseval), and of the window, which leaves 3/8 of the energy. */
const SCALE = 8 / (3 * LOOK * LOOK)
