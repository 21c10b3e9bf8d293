/**
 * Sine and cosine of multiples of π, built from + − × only.
 * Taking π out of the argument makes the reduction exact. Polynomials: Sun's freely distributable
 * maths library (k_sin.c, k_cos.c), good to 2^-58 on [−π/4, π/4].
 */

const S1 = -1.66666666666666324348e-1
const S2 = 8.33333333332248946124e-3
const S3 = -1.98412698298579493134e-4
const S4 = 2.75573137070700676789e-6
const S5 = -2.50507602534068634195e-8
const S6 = 1.58969099521155010221e-10

const C1 = 4.16666666666666019037e-2
const C2 = -1.38888888888741095749e-3
const C3 = 2.48015872894767294178e-5
const C4 = -2.75573143513906633035e-7
const C5 = 2.0875723212981748279e-9
const C6 = -1.13596475577881948265e-11

function sinKernel(y: number): number {
  const z = y * y
  return y + y * z * (S1 + z * (S2 + z * (S3 + z * (S4 + z * (S5 + z * S6)))))
}

function cosKernel(y: number): number {
  const z = y * y
  return 1 - (0.5 * z - z * z * (C1 + z * (C2 + z * (C3 + z * (C4 + z * (C5 + z * C6))))))
}

/** sin(π·x). Absolute error below 3e-16 for |x| up to 2^50. */
export function sinPi(x: number): number {
  const r = x - 2 * Math.round(x / 2)
  const a = Math.abs(r)
  const folded = a > 0.5 ? 1 - a : a
  const s = folded > 0.25 ? cosKernel((0.5 - folded) * Math.PI) : sinKernel(folded * Math.PI)
  return r < 0 ? -s : s
}

/** cos(π·x). Absolute error below 3e-16 for |x| up to 2^50. */
export function cosPi(x: number): number {
  const r = x - 2 * Math.round(x / 2)
  const a = Math.abs(r)
  const folded = a > 0.5 ? 1 - a : a
  const c = folded > 0.25 ? sinKernel((0.5 - folded) * Math.PI) : cosKernel(folded * Math.PI)
  return a > 0.5 ? -c : c
}

/** tan(π·x), for filter coefficients: 0 ≤ x < 0.5. */
export function tanPi(x: number): number {
  return sinPi(x) / cosPi(x)
}
