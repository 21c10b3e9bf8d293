/** The inside of a feedback delay network of eight lines: their blocks lie one after the other, 256 samples each. */

import { counting, hushed } from './vectors'

const LINE: usize = 1024

/** Sample `o` of four lines, one in each lane. */
@inline
function gather(lines: usize, o: usize): v128 {
  let x = v128.load32_zero(lines + o)
  x = v128.load32_lane(lines + LINE + o, x, 1)
  x = v128.load32_lane(lines + 2 * LINE + o, x, 2)
  return v128.load32_lane(lines + 3 * LINE + o, x, 3)
}

@inline
function scatter(lines: usize, o: usize, x: v128): void {
  v128.store32_lane(lines + o, x, 0)
  v128.store32_lane(lines + LINE + o, x, 1)
  v128.store32_lane(lines + 2 * LINE + o, x, 2)
  v128.store32_lane(lines + 3 * LINE + o, x, 3)
}

/** Writes what four samples of four lines, one line in each vector, are after damping. @returns the state after them */
@inline
function dampFour(at: usize, state: v128, keep: v128, take: v128, gain: v128, gainStep: v128): v128 {
  const a = v128.load(at)
  const b = v128.load(at + LINE)
  const c = v128.load(at + 2 * LINE)
  const d = v128.load(at + 3 * LINE)
  // turned over: one sample of the four lines in each
  let ab = v128.shuffle<f32>(a, b, 0, 4, 1, 5)
  let cd = v128.shuffle<f32>(c, d, 0, 4, 1, 5)
  let x0 = v128.shuffle<f32>(ab, cd, 0, 1, 4, 5)
  let x1 = v128.shuffle<f32>(ab, cd, 2, 3, 6, 7)
  ab = v128.shuffle<f32>(a, b, 2, 6, 3, 7)
  cd = v128.shuffle<f32>(c, d, 2, 6, 3, 7)
  let x2 = v128.shuffle<f32>(ab, cd, 0, 1, 4, 5)
  let x3 = v128.shuffle<f32>(ab, cd, 2, 3, 6, 7)
  state = f32x4.add(f32x4.mul(keep, state), f32x4.mul(take, x0))
  x0 = f32x4.mul(state, gain)
  state = f32x4.add(f32x4.mul(keep, state), f32x4.mul(take, x1))
  gain = f32x4.add(gain, gainStep)
  x1 = f32x4.mul(state, gain)
  state = f32x4.add(f32x4.mul(keep, state), f32x4.mul(take, x2))
  gain = f32x4.add(gain, gainStep)
  x2 = f32x4.mul(state, gain)
  state = f32x4.add(f32x4.mul(keep, state), f32x4.mul(take, x3))
  gain = f32x4.add(gain, gainStep)
  x3 = f32x4.mul(state, gain)
  ab = v128.shuffle<f32>(x0, x1, 0, 4, 1, 5)
  cd = v128.shuffle<f32>(x2, x3, 0, 4, 1, 5)
  v128.store(at, hushed(v128.shuffle<f32>(ab, cd, 0, 1, 4, 5)))
  v128.store(at + LINE, hushed(v128.shuffle<f32>(ab, cd, 2, 3, 6, 7)))
  ab = v128.shuffle<f32>(x0, x1, 2, 6, 3, 7)
  cd = v128.shuffle<f32>(x2, x3, 2, 6, 3, 7)
  v128.store(at + 2 * LINE, hushed(v128.shuffle<f32>(ab, cd, 0, 1, 4, 5)))
  v128.store(at + 3 * LINE, hushed(v128.shuffle<f32>(ab, cd, 2, 3, 6, 7)))
  return state
}

/**
 * Damps each line by a one-pole low-pass and scales it by its gain, in place. The coefficient of the low-pass moves every
 * four samples.
 * @param bright the coefficient, with its step a sample
 * @param state eight floats
 * @param gains eight floats, then the step of each a sample: moved on by `n`
 */
export function damp(lines: usize, n: i32, bright: f32, brightStep: f32, state: usize, gains: usize): void {
  const four = f32x4.splat(4)
  let g0 = v128.load(gains)
  let g1 = v128.load(gains, 16)
  const d0 = v128.load(gains, 32)
  const d1 = v128.load(gains, 48)
  const later0 = f32x4.mul(d0, four)
  const later1 = f32x4.mul(d1, four)
  let s0 = v128.load(state)
  let s1 = v128.load(state, 16)
  let i = 0
  for (; i + 4 <= n; i += 4) {
    const o = <usize>i << 2
    const b = bright + brightStep * <f32>i
    const take = f32x4.splat(b)
    const keep = f32x4.splat(1 - b)
    s0 = dampFour(lines + o, s0, keep, take, g0, d0)
    s1 = dampFour(lines + 4 * LINE + o, s1, keep, take, g1, d1)
    g0 = f32x4.add(g0, later0)
    g1 = f32x4.add(g1, later1)
  }
  const take = f32x4.splat(bright + brightStep * <f32>i)
  for (; i < n; i++) {
    const o = <usize>i << 2
    s0 = f32x4.add(s0, f32x4.mul(take, f32x4.sub(gather(lines, o), s0)))
    s1 = f32x4.add(s1, f32x4.mul(take, f32x4.sub(gather(lines + 4 * LINE, o), s1)))
    scatter(lines, o, hushed(f32x4.mul(s0, g0)))
    scatter(lines + 4 * LINE, o, hushed(f32x4.mul(s1, g1)))
    g0 = f32x4.add(g0, d0)
    g1 = f32x4.add(g1, d1)
  }
  v128.store(gains, g0)
  v128.store(gains, g1, 16)
  v128.store(state, hushed(s0))
  v128.store(state, hushed(s1), 16)
}

/**
 * Gives the even lines to the left and the odd ones to the right (both to the left where there is one side alone), then
 * mixes the lines by the Hadamard matrix of order 8 and adds what comes in. What goes out is scaled, with a step a sample.
 * All blocks are whole vectors long.
 */
export function mixLines(
  lines: usize,
  n: i32,
  inLeft: usize,
  inRight: usize,
  outLeft: usize,
  outRight: usize,
  scale: f32,
  scaleStep: f32,
): void {
  const mono = outLeft === outRight
  const both: f32 = mono ? 0.70710678 : 1
  const loud0 = f32x4.splat(scale * both)
  const louder = f32x4.splat(scaleStep * both)
  const four = f32x4.splat(4)
  let count = counting()
  const mix = f32x4.splat(<f32>0.35355339059327373)
  for (let i = 0; i < n; i += 4) {
    const o = <usize>i << 2
    const p = lines + o
    let a = v128.load(p)
    let b = v128.load(p + LINE)
    let c = v128.load(p + 2 * LINE)
    let d = v128.load(p + 3 * LINE)
    let e = v128.load(p + 4 * LINE)
    let f = v128.load(p + 5 * LINE)
    let g = v128.load(p + 6 * LINE)
    let h = v128.load(p + 7 * LINE)
    const loud = f32x4.add(loud0, f32x4.mul(count, louder))
    count = f32x4.add(count, four)
    const left = f32x4.add(f32x4.sub(a, c), f32x4.sub(e, g))
    const right = f32x4.add(f32x4.sub(b, d), f32x4.sub(f, h))
    if (mono) v128.store(outLeft + o, f32x4.mul(f32x4.add(left, right), loud))
    else {
      v128.store(outLeft + o, f32x4.mul(left, loud))
      v128.store(outRight + o, f32x4.mul(right, loud))
    }
    let t = f32x4.sub(a, b)
    a = f32x4.add(a, b)
    b = t
    t = f32x4.sub(c, d)
    c = f32x4.add(c, d)
    d = t
    t = f32x4.sub(e, f)
    e = f32x4.add(e, f)
    f = t
    t = f32x4.sub(g, h)
    g = f32x4.add(g, h)
    h = t
    t = f32x4.sub(a, c)
    a = f32x4.add(a, c)
    c = t
    t = f32x4.sub(b, d)
    b = f32x4.add(b, d)
    d = t
    t = f32x4.sub(e, g)
    e = f32x4.add(e, g)
    g = t
    t = f32x4.sub(f, h)
    f = f32x4.add(f, h)
    h = t
    const even = v128.load(inLeft + o)
    const odd = v128.load(inRight + o)
    v128.store(p, f32x4.add(f32x4.mul(f32x4.add(a, e), mix), even))
    v128.store(p + LINE, f32x4.add(f32x4.mul(f32x4.add(b, f), mix), odd))
    v128.store(p + 2 * LINE, f32x4.add(f32x4.mul(f32x4.add(c, g), mix), even))
    v128.store(p + 3 * LINE, f32x4.add(f32x4.mul(f32x4.add(d, h), mix), odd))
    v128.store(p + 4 * LINE, f32x4.add(f32x4.mul(f32x4.sub(a, e), mix), even))
    v128.store(p + 5 * LINE, f32x4.add(f32x4.mul(f32x4.sub(b, f), mix), odd))
    v128.store(p + 6 * LINE, f32x4.add(f32x4.mul(f32x4.sub(c, g), mix), even))
    v128.store(p + 7 * LINE, f32x4.add(f32x4.mul(f32x4.sub(d, h), mix), odd))
  }
}
