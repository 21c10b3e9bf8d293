/** What a loudness meter does for every sample. */
import { all, SHORT } from './vectors'

/** A filter left alone rings towards denormal numbers, which are slow: silence is exact instead. */
@inline
function quiet(x: v128): v128 {
  return v128.and(x, f64x2.gt(f64x2.abs(x), f64x2.splat(1e-30)))
}

/**
 * K-weights both sides, a side in each half of a vector, and sums their squares.
 * @param keeps whether the weighted samples are written where the samples were
 * @param state eight doubles: the delays of the shelf and of the high-pass, left and right; they are renewed
 * @param c seven doubles: b0, b1, b2, a1, a2 of the shelf, a1, a2 of the high-pass
 * @returns the sums, left and right
 */
@inline
function weight(left: usize, right: usize, n: i32, state: usize, c: usize, keeps: bool): v128 {
  const b0 = f64x2.splat(load<f64>(c))
  const b1 = f64x2.splat(load<f64>(c, 8))
  const b2 = f64x2.splat(load<f64>(c, 16))
  const a1 = f64x2.splat(load<f64>(c, 24))
  const a2 = f64x2.splat(load<f64>(c, 32))
  const g1 = f64x2.splat(load<f64>(c, 40))
  const g2 = f64x2.splat(load<f64>(c, 48))
  let s1 = v128.load(state)
  let s2 = v128.load(state, 16)
  let h1 = v128.load(state, 32)
  let h2 = v128.load(state, 48)
  let sum = f64x2.splat(0)
  for (let i = 0; i < n; i++) {
    const o = <usize>i << 2
    const x = f64x2.replace_lane(f64x2.splat(<f64>load<f32>(left + o)), 1, <f64>load<f32>(right + o))
    const y = f64x2.add(f64x2.mul(b0, x), s1)
    // what does not wait for y is added first: the chain from one sample to the next is what takes the time
    s1 = f64x2.sub(f64x2.add(f64x2.mul(b1, x), s2), f64x2.mul(a1, y))
    s2 = f64x2.sub(f64x2.mul(b2, x), f64x2.mul(a2, y))
    const z = f64x2.add(y, h1)
    h1 = f64x2.sub(f64x2.sub(h2, f64x2.add(y, y)), f64x2.mul(g1, z))
    h2 = f64x2.sub(y, f64x2.mul(g2, z))
    sum = f64x2.add(sum, f64x2.mul(z, z))
    if (keeps) {
      store<f32>(left + o, <f32>f64x2.extract_lane(z, 0))
      store<f32>(right + o, <f32>f64x2.extract_lane(z, 1))
    }
  }
  v128.store(state, quiet(s1))
  v128.store(state, quiet(s2), 16)
  v128.store(state, quiet(h1), 32)
  v128.store(state, quiet(h2), 48)
  return sum
}

/** Sums of the squares of both sides after K-weighting: two doubles at `out`. */
export function weighted(left: usize, right: usize, n: i32, state: usize, c: usize, out: usize): void {
  v128.store(out, weight(left, right, n, state, c, false))
}

/** K-weights both sides where they are. */
export function weigh(left: usize, right: usize, n: i32, state: usize, c: usize): void {
  weight(left, right, n, state, c, true)
}

/** Samples that are looked at together, and samples that an interpolated value reaches over. */
const CHUNK: i32 = 32
const REACH: i32 = 16

@inline
function widest(x: v128): f32 {
  return max(
    max(f32x4.extract_lane(x, 0), f32x4.extract_lane(x, 1)),
    max(f32x4.extract_lane(x, 2), f32x4.extract_lane(x, 3)),
  )
}

/**
 * The highest magnitude of `n` samples and of three interpolated values in each gap, from `before` up. Chunks that cannot
 * reach the peak so far, by their highest sample and their steepest step, are passed over.
 * @param x the last 16 samples before, then the `n` new ones
 * @param taps eight doubles each: the even and the odd part of the filter at a quarter, half of that in the middle
 * @param growth no interpolated value exceeds the largest sample in reach times this
 * @param drift nor is it further from a sample beside it than the largest step in reach times this
 */
export function truePeak(x: usize, n: i32, before: f64, taps: usize, growth: f64, drift: f64): f64 {
  let peak = before
  for (let from = 0; from < n; from += CHUNK) {
    const to = min(n, from + CHUNK)
    const end = to + REACH
    const first = x + (<usize>from << 2)
    let high = f32x4.splat(0)
    let steep = f32x4.splat(0)
    let i = from + 1
    for (; i + 4 <= end; i += 4) {
      const p = x + (<usize>i << 2)
      const a = v128.load(p)
      high = f32x4.pmax(high, f32x4.abs(a))
      steep = f32x4.pmax(steep, f32x4.abs(f32x4.sub(a, v128.load(p - 4))))
    }
    let highest = widest(high)
    let steepest = widest(steep)
    for (; i < end; i++) {
      const p = x + (<usize>i << 2)
      const a = load<f32>(p)
      highest = max(highest, abs(a))
      steepest = max(steepest, abs(a - load<f32>(p - 4)))
    }
    const most = <f64>highest
    if (most > peak) peak = most
    const far = drift * <f64>steepest
    if (most * growth <= peak || most + far <= peak) continue
    peak = between(first + 4, to - from, peak, taps, far)
  }
  return peak
}

/** Two samples as doubles, and two as doubles in the other order. */
@inline
function pair(p: usize): v128 {
  return f64x2.promote_low_f32x4(v128.load64_zero(p))
}
@inline
function turned(p: usize): v128 {
  const two = v128.load64_zero(p)
  return f64x2.promote_low_f32x4(v128.shuffle<i32>(two, two, 1, 0, 1, 0))
}
@inline
function both(x: v128): f64 {
  return f64x2.extract_lane(x, 0) + f64x2.extract_lane(x, 1)
}

/** The peak after the three places in each of `n` gaps of which one end is within `far` of it. Two taps at a time. */
function between(x: usize, n: i32, before: f64, taps: usize, far: f64): f64 {
  const e0 = v128.load(taps)
  const e1 = v128.load(taps, 16)
  const e2 = v128.load(taps, 32)
  const e3 = v128.load(taps, 48)
  const o0 = v128.load(taps, 64)
  const o1 = v128.load(taps, 80)
  const o2 = v128.load(taps, 96)
  const o3 = v128.load(taps, 112)
  const m0 = v128.load(taps, 128)
  const m1 = v128.load(taps, 144)
  const m2 = v128.load(taps, 160)
  const m3 = v128.load(taps, 176)
  let peak = before
  for (let i = 0; i < n; i++) {
    const p = x + (<usize>i << 2)
    const near = <f64>max(abs(load<f32>(p, 28)), abs(load<f32>(p, 32)))
    if (near + far <= peak) continue
    const a0 = pair(p)
    const a1 = pair(p + 8)
    const a2 = pair(p + 16)
    const a3 = pair(p + 24)
    const b0 = turned(p + 56)
    const b1 = turned(p + 48)
    const b2 = turned(p + 40)
    const b3 = turned(p + 32)
    const s0 = f64x2.add(a0, b0)
    const s1 = f64x2.add(a1, b1)
    const s2 = f64x2.add(a2, b2)
    const s3 = f64x2.add(a3, b3)
    const even = f64x2.add(
      f64x2.add(f64x2.mul(e0, s0), f64x2.mul(e1, s1)),
      f64x2.add(f64x2.mul(e2, s2), f64x2.mul(e3, s3)),
    )
    const middle = f64x2.add(
      f64x2.add(f64x2.mul(m0, s0), f64x2.mul(m1, s1)),
      f64x2.add(f64x2.mul(m2, s2), f64x2.mul(m3, s3)),
    )
    const odd = f64x2.add(
      f64x2.add(f64x2.mul(o0, f64x2.sub(a0, b0)), f64x2.mul(o1, f64x2.sub(a1, b1))),
      f64x2.add(f64x2.mul(o2, f64x2.sub(a2, b2)), f64x2.mul(o3, f64x2.sub(a3, b3))),
    )
    // |even + odd| and |even − odd| are at most |even| + |odd|, and one of them is exactly that
    peak = max(peak, max(abs(both(even)) + abs(both(odd)), abs(both(middle))))
  }
  return peak
}

/**
 * Sums of the squares of `n` samples and of the steps between them: two doubles at `out`.
 * @param last the sample before the first
 */
export function squares(x: usize, n: i32, last: f32, out: usize): void {
  const first = <f64>load<f32>(x)
  let p = first * first
  let s = (first - <f64>last) * (first - <f64>last)
  let i = 1
  while (i + 4 <= n) {
    const end = min(n, i + SHORT)
    let plain = f32x4.splat(0)
    let steep = f32x4.splat(0)
    for (; i + 4 <= end; i += 4) {
      const at = x + (<usize>i << 2)
      const a = v128.load(at)
      const step = f32x4.sub(a, v128.load(at - 4))
      plain = f32x4.add(plain, f32x4.mul(a, a))
      steep = f32x4.add(steep, f32x4.mul(step, step))
    }
    p += all(plain)
    s += all(steep)
  }
  for (; i < n; i++) {
    const at = x + (<usize>i << 2)
    const a = <f64>load<f32>(at)
    const step = a - <f64>load<f32>(at - 4)
    p += a * a
    s += step * step
  }
  store<f64>(out, p)
  store<f64>(out, s, 8)
}
