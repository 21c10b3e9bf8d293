/** Recursive filters, both sides at once in the two lanes of a vector: their own state is all they wait for. */

/** Sample i of both sides, as doubles. */
@inline
function both(left: usize, right: usize, o: usize): v128 {
  return f64x2.promote_low_f32x4(v128.load32_lane(right + o, v128.load32_zero(left + o), 1))
}

@inline
function put(left: usize, right: usize, o: usize, y: v128): void {
  const z = f32x4.demote_f64x2_zero(y)
  v128.store32_lane(left + o, z, 0)
  v128.store32_lane(right + o, z, 1)
}

/** A ringing state so low that it counts as silence: far above the slow denormal numbers. */
@inline
function settled(state: v128): v128 {
  return v128.and(state, f64x2.gt(f64x2.abs(state), f64x2.splat(1e-30)))
}

/** Whether two factors are nothing. */
@inline
function alone(a: v128, b: v128): bool {
  return !v128.any_true(f64x2.ne(v128.or(a, b), f64x2.splat(0)))
}

/**
 * The topology-preserving state-variable filter, written as its state-space form so that a sample waits for the one
 * before it as little as can be:
 *
 *   s1' = p·s1 + q·(x − s2)      p = 2a − 1, q = 2ga, r = 2g²a, a = 1/(1 + g(g + k))
 *   s2' = s2 + q·s1 + r·(x − s2)
 *   band/k = (s1 + s1')/2, low = (s2 + s2')/2
 *
 * One side twice is mono.
 * @param state two pairs of doubles
 * @param segments for every `stride` samples, as doubles: p, q, r, the factors of low, band/k and input in the output,
 *   and the step of each a sample
 */
export function svf(
  left: usize,
  right: usize,
  n: i32,
  stride: i32,
  state: usize,
  segments: usize,
): void {
  const half = f64x2.splat(0.5)
  let s1 = v128.load(state)
  let s2 = v128.load(state, 16)
  let segment = segments
  for (let from = 0; from < n; from += stride) {
    const to = min(n, from + stride)
    let p = v128.load64_splat(segment)
    let q = v128.load64_splat(segment, 8)
    let r = v128.load64_splat(segment, 16)
    let low = v128.load64_splat(segment, 24)
    let band = v128.load64_splat(segment, 32)
    let dry = v128.load64_splat(segment, 40)
    const dp = v128.load64_splat(segment, 48)
    const dq = v128.load64_splat(segment, 56)
    const dr = v128.load64_splat(segment, 64)
    const dlow = v128.load64_splat(segment, 72)
    const dband = v128.load64_splat(segment, 80)
    const ddry = v128.load64_splat(segment, 88)
    segment += 96
    if (alone(band, dband) && alone(dry, ddry) && alone(dlow, dlow)) {
      // the low-pass by itself: nothing else in the output
      low = f64x2.mul(low, half)
      for (let i = from; i < to; i++) {
        const o = <usize>i << 2
        const d = f64x2.sub(both(left, right, o), s2)
        const n1 = f64x2.add(f64x2.mul(p, s1), f64x2.mul(q, d))
        const n2 = f64x2.add(f64x2.add(s2, f64x2.mul(q, s1)), f64x2.mul(r, d))
        put(left, right, o, f64x2.mul(low, f64x2.add(s2, n2)))
        s1 = n1
        s2 = n2
        p = f64x2.add(p, dp)
        q = f64x2.add(q, dq)
        r = f64x2.add(r, dr)
      }
      continue
    }
    for (let i = from; i < to; i++) {
      const o = <usize>i << 2
      const x = both(left, right, o)
      const d = f64x2.sub(x, s2)
      const n1 = f64x2.add(f64x2.mul(p, s1), f64x2.mul(q, d))
      const n2 = f64x2.add(f64x2.add(s2, f64x2.mul(q, s1)), f64x2.mul(r, d))
      const v1 = f64x2.mul(half, f64x2.add(s1, n1))
      const v2 = f64x2.mul(half, f64x2.add(s2, n2))
      s1 = n1
      s2 = n2
      const wet = f64x2.add(f64x2.mul(low, v2), f64x2.mul(band, v1))
      put(left, right, o, f64x2.add(wet, f64x2.mul(dry, x)))
      p = f64x2.add(p, dp)
      q = f64x2.add(q, dq)
      r = f64x2.add(r, dr)
      low = f64x2.add(low, dlow)
      band = f64x2.add(band, dband)
      dry = f64x2.add(dry, ddry)
    }
  }
  v128.store(state, settled(s1))
  v128.store(state, settled(s2), 16)
}

/**
 * A biquad in transposed direct form II whose coefficients run straight through the block.
 * @param state two pairs of doubles
 * @param coefficients b0, b1, b2, a1, a2 and the step of each a sample, as doubles
 */
export function biquad(left: usize, right: usize, n: i32, state: usize, coefficients: usize): void {
  let s1 = v128.load(state)
  let s2 = v128.load(state, 16)
  let b0 = load<f64>(coefficients)
  let b1 = load<f64>(coefficients, 8)
  let b2 = load<f64>(coefficients, 16)
  let a1 = load<f64>(coefficients, 24)
  let a2 = load<f64>(coefficients, 32)
  const db0 = load<f64>(coefficients, 40)
  const db1 = load<f64>(coefficients, 48)
  const db2 = load<f64>(coefficients, 56)
  const da1 = load<f64>(coefficients, 64)
  const da2 = load<f64>(coefficients, 72)
  for (let i = 0; i < n; i++) {
    const o = <usize>i << 2
    const x = both(left, right, o)
    const y = f64x2.add(f64x2.mul(f64x2.splat(b0), x), s1)
    s1 = f64x2.add(f64x2.sub(f64x2.mul(f64x2.splat(b1), x), f64x2.mul(f64x2.splat(a1), y)), s2)
    s2 = f64x2.sub(f64x2.mul(f64x2.splat(b2), x), f64x2.mul(f64x2.splat(a2), y))
    put(left, right, o, y)
    b0 += db0
    b1 += db1
    b2 += db2
    a1 += da1
    a2 += da2
  }
  v128.store(state, settled(s1))
  v128.store(state, settled(s2), 16)
}
