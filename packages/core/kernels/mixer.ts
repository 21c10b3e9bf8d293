/** What a track strip does after its effects, in one go for both sides. Blocks have room for whole pairs of vectors. */

import { counting } from './vectors'

/**
 * Volume and pan: out = x · level · side for each side, and main += out · direct. Gains run straight from a first value
 * by a step a sample. Up to seven samples after the end are written too, in `out` and main alike: what is beyond a
 * block's end is never read.
 * @param level a level for each sample, or 0 where it runs straight
 */
export function place(
  left: usize,
  right: usize,
  n: i32,
  level: usize,
  level0: f32,
  levelStep: f32,
  left0: f32,
  leftStep: f32,
  right0: f32,
  rightStep: f32,
  outLeft: usize,
  outRight: usize,
  mainLeft: usize,
  mainRight: usize,
  direct: f32,
): void {
  const l0 = f32x4.splat(left0)
  const dl = f32x4.splat(leftStep)
  const r0 = f32x4.splat(right0)
  const dr = f32x4.splat(rightStep)
  const v0 = f32x4.splat(level0)
  const dv = f32x4.splat(levelStep)
  const through = f32x4.splat(direct)
  const four = f32x4.splat(4)
  let at = counting()
  for (let i = 0; i < n; i += 8) {
    const o = <usize>i << 2
    const x = left + o
    const y = right + o
    const toX = outLeft + o
    const toY = outRight + o
    const mainX = mainLeft + o
    const mainY = mainRight + o
    let v = level ? v128.load(level + o) : f32x4.add(v0, f32x4.mul(at, dv))
    let l = f32x4.mul(v128.load(x), f32x4.mul(v, f32x4.add(l0, f32x4.mul(at, dl))))
    let r = f32x4.mul(v128.load(y), f32x4.mul(v, f32x4.add(r0, f32x4.mul(at, dr))))
    at = f32x4.add(at, four)
    v128.store(toX, l)
    v128.store(toY, r)
    v128.store(mainX, f32x4.add(v128.load(mainX), f32x4.mul(l, through)))
    v128.store(mainY, f32x4.add(v128.load(mainY), f32x4.mul(r, through)))
    v = level ? v128.load(level + o, 16) : f32x4.add(v0, f32x4.mul(at, dv))
    l = f32x4.mul(v128.load(x, 16), f32x4.mul(v, f32x4.add(l0, f32x4.mul(at, dl))))
    r = f32x4.mul(v128.load(y, 16), f32x4.mul(v, f32x4.add(r0, f32x4.mul(at, dr))))
    at = f32x4.add(at, four)
    v128.store(toX, l, 16)
    v128.store(toY, r, 16)
    v128.store(mainX, f32x4.add(v128.load(mainX, 16), f32x4.mul(l, through)), 16)
    v128.store(mainY, f32x4.add(v128.load(mainY, 16), f32x4.mul(r, through)), 16)
  }
}

/** Two sends at once: adds both sides, each times a gain, to two buses. Samples after the end as in {@link place}. */
export function addToTwo(
  left: usize,
  right: usize,
  n: i32,
  leftA: usize,
  rightA: usize,
  gainA: f32,
  leftB: usize,
  rightB: usize,
  gainB: f32,
): void {
  const a = f32x4.splat(gainA)
  const b = f32x4.splat(gainB)
  for (let i = 0; i < n; i += 8) {
    const o = <usize>i << 2
    const xA = leftA + o
    const yA = rightA + o
    const xB = leftB + o
    const yB = rightB + o
    let l = v128.load(left + o)
    let r = v128.load(right + o)
    v128.store(xA, f32x4.add(v128.load(xA), f32x4.mul(l, a)))
    v128.store(yA, f32x4.add(v128.load(yA), f32x4.mul(r, a)))
    v128.store(xB, f32x4.add(v128.load(xB), f32x4.mul(l, b)))
    v128.store(yB, f32x4.add(v128.load(yB), f32x4.mul(r, b)))
    l = v128.load(left + o, 16)
    r = v128.load(right + o, 16)
    v128.store(xA, f32x4.add(v128.load(xA, 16), f32x4.mul(l, a)), 16)
    v128.store(yA, f32x4.add(v128.load(yA, 16), f32x4.mul(r, a)), 16)
    v128.store(xB, f32x4.add(v128.load(xB, 16), f32x4.mul(l, b)), 16)
    v128.store(yB, f32x4.add(v128.load(yB, 16), f32x4.mul(r, b)), 16)
  }
}
