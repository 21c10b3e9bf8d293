/** Gains, sums and ramps over blocks of samples. `n` is any count of samples up to a block. */

import { counting } from './vectors'

/** x · gain, in place. */
export function scale(x: usize, n: i32, gain: f32): void {
  const g = f32x4.splat(gain)
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const p = x + (<usize>i << 2)
    v128.store(p, f32x4.mul(v128.load(p), g))
  }
  for (; i < n; i++) {
    const p = x + (<usize>i << 2)
    store<f32>(p, load<f32>(p) * gain)
  }
}

/** x · y, in place in x. */
export function multiply(x: usize, y: usize, n: i32): void {
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    v128.store(x + o, f32x4.mul(v128.load(x + o), v128.load(y + o)))
  }
  for (; i < n; i++) {
    const o = <usize>i << 2
    store<f32>(x + o, load<f32>(x + o) * load<f32>(y + o))
  }
}

/** to = x · gain. */
export function copyScaled(to: usize, x: usize, n: i32, gain: f32): void {
  const g = f32x4.splat(gain)
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    v128.store(to + o, f32x4.mul(v128.load(x + o), g))
  }
  for (; i < n; i++) {
    const o = <usize>i << 2
    store<f32>(to + o, load<f32>(x + o) * gain)
  }
}

/** to += x · gain. */
export function addScaled(to: usize, x: usize, n: i32, gain: f32): void {
  const g = f32x4.splat(gain)
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    v128.store(to + o, f32x4.add(v128.load(to + o), f32x4.mul(v128.load(x + o), g)))
  }
  for (; i < n; i++) {
    const o = <usize>i << 2
    store<f32>(to + o, load<f32>(to + o) + load<f32>(x + o) * gain)
  }
}

/** to += x · y · factor. */
export function addProduct(to: usize, x: usize, y: usize, n: i32, factor: f32): void {
  const f = f32x4.splat(factor)
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    const product = f32x4.mul(v128.load(x + o), f32x4.mul(v128.load(y + o), f))
    v128.store(to + o, f32x4.add(v128.load(to + o), product))
  }
  for (; i < n; i++) {
    const o = <usize>i << 2
    store<f32>(to + o, load<f32>(to + o) + load<f32>(x + o) * (load<f32>(y + o) * factor))
  }
}

/** to = x · gain, the gain running straight from `start` by `step` a sample; adds to what is there if `sum`. */
export function shapeRamped(to: usize, x: usize, n: i32, start: f32, step: f32, sum: bool): void {
  const first = f32x4.splat(start)
  const slope = f32x4.splat(step)
  const four = f32x4.splat(4)
  let at = counting()
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    const gain = f32x4.add(first, f32x4.mul(at, slope))
    at = f32x4.add(at, four)
    let y = f32x4.mul(v128.load(x + o), gain)
    if (sum) y = f32x4.add(v128.load(to + o), y)
    v128.store(to + o, y)
  }
  for (; i < n; i++) {
    const o = <usize>i << 2
    const y = load<f32>(x + o) * (start + step * <f32>i)
    store<f32>(to + o, sum ? load<f32>(to + o) + y : y)
  }
}

/** Writes a straight run from `start` by `step` a sample to samples `from` to `to`; adds to what is there if `sum`. */
export function ramp(x: usize, from: i32, to: i32, start: f64, step: f64, sum: bool): void {
  const first = x + (<usize>from << 2)
  const n = to - from
  const base = f32x4.splat(<f32>start)
  const slope = f32x4.splat(<f32>step)
  const four = f32x4.splat(4)
  let at = counting()
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    let y = f32x4.add(base, f32x4.mul(at, slope))
    at = f32x4.add(at, four)
    if (sum) y = f32x4.add(v128.load(first + o), y)
    v128.store(first + o, y)
  }
  for (; i < n; i++) {
    const o = <usize>i << 2
    const y = <f32>(start + step * <f64>i)
    store<f32>(first + o, sum ? load<f32>(first + o) + y : y)
  }
}

/** Highest |x|. */
export function peak(x: usize, n: i32): f32 {
  let most = f32x4.splat(0)
  let i = 0
  for (; i + 4 <= n; i += 4) most = f32x4.pmax(most, f32x4.abs(v128.load(x + (<usize>i << 2))))
  let high = max(
    max(f32x4.extract_lane(most, 0), f32x4.extract_lane(most, 1)),
    max(f32x4.extract_lane(most, 2), f32x4.extract_lane(most, 3)),
  )
  for (; i < n; i++) high = max(high, abs(load<f32>(x + (<usize>i << 2))))
  return high
}

/** Scales what is between two sides: the side signal by `width`, or by a width for each sample where `shape` is given. */
export function widen(left: usize, right: usize, n: i32, width: f32, shape: usize): void {
  for (let i = 0; i < n; i++) {
    const o = <usize>i << 2
    const l = load<f32>(left + o)
    const r = load<f32>(right + o)
    const middle = <f32>0.5 * (l + r)
    const side = <f32>0.5 * (l - r) * (shape ? load<f32>(shape + o) : width)
    store<f32>(left + o, middle + side)
    store<f32>(right + o, middle - side)
  }
}

/**
 * Puts what an effect made of a sound beside the sound: x · (1 − w·t) + y · w, in place in x. `wet` and `through` are
 * arrays; 0 stands for the constant beside it.
 */
export function blend(x: usize, y: usize, n: i32, wet: usize, w0: f32, through: usize, t0: f32): void {
  for (let i = 0; i < n; i++) {
    const o = <usize>i << 2
    const w = wet ? load<f32>(wet + o) : w0
    const t = through ? load<f32>(through + o) : t0
    store<f32>(x + o, load<f32>(x + o) * (1 - w * t) + load<f32>(y + o) * w)
  }
}
