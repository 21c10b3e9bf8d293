/**
 * Exponential kernels built from + − × ÷ only, so that every host gives the same bits.
 * Method and coefficients: the rational form of Sun's freely distributable maths library (e_exp.c).
 */

const LN2_HI = 6.9314718036912381649e-1
const LN2_LO = 1.90821492927058770002e-10
const INV_LN2 = 1.4426950408889634

const P1 = 1.66666666666666019037e-1
const P2 = -2.77777777770155933842e-3
const P3 = 6.61375632143793436117e-5
const P4 = -1.6533902205465251539e-6
const P5 = 4.13813679705723846039e-8

const LOWEST = -1022
const HIGHEST = 1023

/** 2^k for k from −1022 to 1023, built by exact doubling and halving. */
const POWERS_OF_TWO = (() => {
  const table = new Float64Array(HIGHEST - LOWEST + 1)
  table[-LOWEST] = 1
  for (let k = 1; k <= HIGHEST; k++) table[k - LOWEST] = table[k - 1 - LOWEST]! * 2
  for (let k = -1; k >= LOWEST; k--) table[k - LOWEST] = table[k + 1 - LOWEST]! / 2
  return table
})()

function timesPowerOfTwo(y: number, k: number): number {
  if (k > HIGHEST) return y * 2 * POWERS_OF_TWO[HIGHEST - LOWEST]!
  if (k < LOWEST) return y * POWERS_OF_TWO[k + 60 - LOWEST]! * POWERS_OF_TWO[-60 - LOWEST]!
  return y * POWERS_OF_TWO[k - LOWEST]!
}

/** e^x. Relative error below 4e-16 for results in the normal range; 0 below −745, Infinity above 709.78. */
export function exp(x: number): number {
  if (x !== x) return NaN
  if (x > 709.782712893384) return Infinity
  if (x < -745.1332191019411) return 0
  const k = Math.round(x * INV_LN2)
  const hi = x - k * LN2_HI
  const lo = k * LN2_LO
  const r = hi - lo
  const t = r * r
  const c = r - t * (P1 + t * (P2 + t * (P3 + t * (P4 + t * P5))))
  const y = 1 - (lo - (r * c) / (2 - c) - hi)
  return timesPowerOfTwo(y, k)
}
