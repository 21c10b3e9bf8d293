/**
 * Logarithm kernels built from + − × ÷ only (the exponent is read from the bits of the number).
 * Method and coefficients: Sun's freely distributable maths library (e_log.c).
 */
import { exp } from './exp'

const LN2_HI = 6.9314718036912381649e-1
const LN2_LO = 1.90821492927058770002e-10
const LOG10_E = 0.4342944819032518
const SQRT_HALF = 0.7071067811865476

const L1 = 6.66666666666673513e-1
const L2 = 3.999999999940941908e-1
const L3 = 2.857142874366239149e-1
const L4 = 2.222219843214978396e-1
const L5 = 1.818357216161805012e-1
const L6 = 1.531383769920937332e-1
const L7 = 1.479819860511658591e-1

const float = new Float64Array(1)
const words = new Uint32Array(float.buffer)
/** Index of the word that carries sign and exponent: 1 on little-endian machines. */
const HIGH = (() => {
  float[0] = 1
  return words[1] === 0x3ff00000 ? 1 : 0
})()

/** Natural logarithm of x. Relative error below 4e-16; −Infinity at 0, NaN below 0. */
export function log(x: number): number {
  if (!(x > 0)) return x === 0 ? -Infinity : NaN
  if (x === Infinity) return Infinity
  let k = 0
  let scaled = x
  if (scaled < 2.2250738585072014e-308) {
    scaled *= 18014398509481984 // 2^54 lifts a subnormal number into the normal range
    k = -54
  }
  float[0] = scaled
  const word = words[HIGH]!
  k += (word >>> 20) - 1022
  words[HIGH] = (word & 0x000fffff) | 0x3fe00000
  let m = float[0]! // in [0.5, 1)
  if (m < SQRT_HALF) {
    m *= 2
    k -= 1
  }
  const f = m - 1
  const s = f / (2 + f)
  const z = s * s
  const w = z * z
  const even = w * (L2 + w * (L4 + w * L6))
  const odd = z * (L1 + w * (L3 + w * (L5 + w * L7)))
  const half = 0.5 * f * f
  return k * LN2_HI - (half - (s * (half + even + odd) + k * LN2_LO) - f)
}

/** Logarithm to base 10. Relative error below 1e-15. */
export function log10(x: number): number {
  return log(x) * LOG10_E
}

/** ln(1 + x) without loss for small x (the correction is Kahan's). Relative error below 2e-15. */
export function log1p(x: number): number {
  const u = 1 + x
  return u === 1 ? x : (log(u) * x) / (u - 1)
}

/** e^x − 1 without loss for small x (Kahan). Relative error below 4e-15. */
export function expm1(x: number): number {
  if (x > 40 || x < -40) return exp(x) - 1
  const u = exp(x)
  if (u === 1) return x
  const less = u - 1
  return less === -1 ? -1 : (less * x) / log(u)
}
