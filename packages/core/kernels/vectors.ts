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

/** Samples that are summed at single precision: few enough that nothing is lost that matters, many enough to be quick. */
export const SHORT: i32 = 256

/** The sum of four numbers. */
@inline
export function all(x: v128): f64 {
  const two = f64x2.add(
    f64x2.promote_low_f32x4(x),
    f64x2.promote_low_f32x4(v128.shuffle<i32>(x, x, 2, 3, 0, 1)),
  )
  return f64x2.extract_lane(two, 0) + f64x2.extract_lane(two, 1)
}
