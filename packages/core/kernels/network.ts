/** The inside of a feedback delay network of eight lines: their blocks lie one after the other, 128 samples each. */

import { hushed } from './vectors'

const LINE: usize = 512

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

/**
 * Damps each line by a one-pole low-pass and scales it by its gain, in place.
 * @param state eight floats
 * @param gains eight floats
 */
export function damp(lines: usize, n: i32, bright: f32, state: usize, gains: usize): void {
  const b = f32x4.splat(bright)
  const g0 = v128.load(gains)
  const g1 = v128.load(gains, 16)
  let s0 = v128.load(state)
  let s1 = v128.load(state, 16)
  for (let i = 0; i < n; i++) {
    const o = <usize>i << 2
    s0 = f32x4.add(s0, f32x4.mul(b, f32x4.sub(gather(lines, o), s0)))
    s1 = f32x4.add(s1, f32x4.mul(b, f32x4.sub(gather(lines + 4 * LINE, o), s1)))
    s0 = hushed(s0)
    s1 = hushed(s1)
    scatter(lines, o, f32x4.mul(s0, g0))
    scatter(lines + 4 * LINE, o, f32x4.mul(s1, g1))
  }
  v128.store(state, s0)
  v128.store(state, s1, 16)
}

/**
 * Gives the even lines to the left and the odd ones to the right (both to the left where there is one side alone), then
 * mixes the lines by the Hadamard matrix of order 8 and adds what comes in. All blocks are whole vectors long.
 */
export function mixLines(
  lines: usize,
  n: i32,
  inLeft: usize,
  inRight: usize,
  outLeft: usize,
  outRight: usize,
  scale: f32,
): void {
  const mono = outLeft === outRight
  const loud = f32x4.splat(mono ? scale * <f32>0.70710678 : scale)
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
