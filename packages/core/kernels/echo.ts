/** The loop of a delay. */

import { counting, hushed } from './vectors'

@inline
function at(ring: usize, mask: i32, place: i32): f64 {
  return <f64>load<f32>(ring + (<usize>(place & mask) << 2))
}

/**
 * Repeats what comes in, block in place, with cuts in the loop and from side to side.
 * @param stereo off: the right side and its ring are not used
 * @param place the sample of the rings written last
 * @param near and
 * @param far delays in samples: after a change of time it fades from the one to the other
 * @param fading samples of the fade still to go, of
 * @param fade samples in all
 * @param feedback with its step a sample, as has
 * @param across
 * @param cuts low cut of both sides, then high cut of both: states as doubles
 */
export function echo(
  left: usize,
  right: usize,
  n: i32,
  stereo: bool,
  ringLeft: usize,
  ringRight: usize,
  mask: i32,
  place: i32,
  near: i32,
  far: i32,
  fading: i32,
  fade: i32,
  feedback: f64,
  feedbackStep: f64,
  lowCut: f64,
  highCut: f64,
  across: f64,
  acrossStep: f64,
  cuts: usize,
): void {
  const open = highCut >= 1 && lowCut <= 0
  if (open && stereo && fading === 0 && far >= n && straight(mask, place + 1 - far, n) && straight(mask, place + 1, n))
    return plainEcho(
      left,
      right,
      n,
      ringLeft,
      ringRight,
      (place + 1 - far) & mask,
      (place + 1) & mask,
      <f32>feedback,
      <f32>feedbackStep,
      <f32>across,
      <f32>acrossStep,
    )
  let low0 = load<f64>(cuts)
  let low1 = load<f64>(cuts, 8)
  let high0 = load<f64>(cuts, 16)
  let high1 = load<f64>(cuts, 24)
  for (let i = 0; i < n; i++) {
    const o = <usize>i << 2
    if (fading > 0) fading--
    const share = fading > 0 ? 1.0 - <f64>fading / <f64>fade : 1.0
    // written after it is read: the newest sample is one ago
    let a = at(ringLeft, mask, place + 1 - far)
    if (share < 1) a = at(ringLeft, mask, place + 1 - near) * (1 - share) + a * share
    if (highCut < 1) {
      high0 += highCut * (a - high0)
      a = high0
    }
    if (lowCut > 0) {
      low0 += lowCut * (a - low0)
      a -= low0
    }
    let b = a
    if (stereo) {
      b = at(ringRight, mask, place + 1 - far)
      if (share < 1) b = at(ringRight, mask, place + 1 - near) * (1 - share) + b * share
      if (highCut < 1) {
        high1 += highCut * (b - high1)
        b = high1
      }
      if (lowCut > 0) {
        low1 += lowCut * (b - low1)
        b -= low1
      }
    }
    const l = <f64>load<f32>(left + o)
    place = (place + 1) & mask
    const to = <usize>place << 2
    if (stereo) {
      // from side to side: what comes in goes to the left, what comes back goes to the other side
      const r = <f64>load<f32>(right + o)
      store<f32>(ringLeft + to, <f32>(l + across * 0.5 * (r - l) + feedback * (a + across * (b - a))))
      store<f32>(ringRight + to, <f32>(r * (1 - across) + feedback * (b + across * (a - b))))
      store<f32>(right + o, <f32>b)
    } else store<f32>(ringLeft + to, <f32>(l + feedback * a))
    store<f32>(left + o, <f32>a)
    feedback += feedbackStep
    across += acrossStep
  }
  store<f64>(cuts, settled(low0))
  store<f64>(cuts, settled(low1), 8)
  store<f64>(cuts, settled(high0), 16)
  store<f64>(cuts, settled(high1), 24)
}

/** Whether `n` samples from a place of a ring on lie in one piece. */
@inline
function straight(mask: i32, from: i32, n: i32): bool {
  return (from & mask) + n <= mask + 1
}

/** The same without cuts and without a fade, four samples at once: nothing of what is written is read in this block. */
function plainEcho(
  left: usize,
  right: usize,
  n: i32,
  ringLeft: usize,
  ringRight: usize,
  from: i32,
  to: i32,
  feedback: f32,
  feedbackStep: f32,
  across: f32,
  acrossStep: f32,
): void {
  const one = f32x4.splat(1)
  const half = f32x4.splat(0.5)
  const four = f32x4.splat(4)
  const feedback0 = f32x4.splat(feedback)
  const feedbackSlope = f32x4.splat(feedbackStep)
  const across0 = f32x4.splat(across)
  const acrossSlope = f32x4.splat(acrossStep)
  let count = counting()
  for (let i = 0; i < n; i += 4) {
    const o = <usize>i << 2
    const read = <usize>(from + i) << 2
    const write = <usize>(to + i) << 2
    const a = v128.load(ringLeft + read)
    const b = v128.load(ringRight + read)
    const l = v128.load(left + o)
    const r = v128.load(right + o)
    const back = f32x4.add(feedback0, f32x4.mul(count, feedbackSlope))
    const over = f32x4.add(across0, f32x4.mul(count, acrossSlope))
    count = f32x4.add(count, four)
    const swing = f32x4.mul(over, f32x4.sub(b, a))
    const first = f32x4.add(l, f32x4.mul(f32x4.mul(half, over), f32x4.sub(r, l)))
    const newLeft = hushed(f32x4.add(first, f32x4.mul(back, f32x4.add(a, swing))))
    const newRight = hushed(f32x4.add(f32x4.mul(r, f32x4.sub(one, over)), f32x4.mul(back, f32x4.sub(b, swing))))
    v128.store(left + o, a)
    v128.store(right + o, b)
    if (i + 4 <= n) {
      v128.store(ringLeft + write, newLeft)
      v128.store(ringRight + write, newRight)
      continue
    }
    put(ringLeft + write, newLeft, n - i)
    put(ringRight + write, newRight, n - i)
  }
}

/** Writes the first one to three of four samples. */
function put(at: usize, x: v128, count: i32): void {
  v128.store32_lane(at, x, 0)
  if (count > 1) v128.store32_lane(at + 4, x, 1)
  if (count > 2) v128.store32_lane(at + 8, x, 2)
}

@inline
function settled(state: f64): f64 {
  return abs(state) < 1e-30 ? 0 : state
}
