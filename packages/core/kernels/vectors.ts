/** Vectors that several kernels need. */

/** 0, 1, 2, 3. */
@inline
export function counting(): v128 {
  return f32x4(0, 1, 2, 3)
}

/**
 * Silence from 360 dB down: a loop must not run into slow denormal numbers, and what is left of two such values after they
 * cancel is none yet.
 */
@inline
export function hushed(x: v128): v128 {
  return v128.and(x, f32x4.gt(f32x4.abs(x), f32x4.splat(1e-18)))
}
