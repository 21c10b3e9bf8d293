/** Recorded sound: samples of 16 bit into blocks. */

@inline
function low(x: v128): v128 {
  return f32x4.convert_i32x4_s(i32x4.extend_low_i16x8_s(x))
}

@inline
function high(x: v128): v128 {
  return f32x4.convert_i32x4_s(i32x4.extend_high_i16x8_s(x))
}

/** to = x · gain. */
export function copySamples(to: usize, x: usize, n: i32, gain: f32): void {
  const g = f32x4.splat(gain)
  let i = 0
  for (; i + 8 <= n; i += 8) {
    const samples = v128.load(x + (<usize>i << 1))
    const o = to + (<usize>i << 2)
    v128.store(o, f32x4.mul(low(samples), g))
    v128.store(o, f32x4.mul(high(samples), g), 16)
  }
  for (; i < n; i++) store<f32>(to + (<usize>i << 2), <f32>load<i16>(x + (<usize>i << 1)) * gain)
}

/** to += x · gain. */
export function addSamples(to: usize, x: usize, n: i32, gain: f32): void {
  const g = f32x4.splat(gain)
  let i = 0
  for (; i + 8 <= n; i += 8) {
    const samples = v128.load(x + (<usize>i << 1))
    const o = to + (<usize>i << 2)
    v128.store(o, f32x4.add(v128.load(o), f32x4.mul(low(samples), g)))
    v128.store(o, f32x4.add(v128.load(o, 16), f32x4.mul(high(samples), g)), 16)
  }
  for (; i < n; i++) {
    const o = to + (<usize>i << 2)
    store<f32>(o, load<f32>(o) + <f32>load<i16>(x + (<usize>i << 1)) * gain)
  }
}

/** to = round(x · above) where x is not below 0, round(x · below) where it is: whole numbers of 16 bit, held at their ends. */
export function wholeSamples(to: usize, x: usize, n: i32, above: f32, below: f32): void {
  const up = f32x4.splat(above)
  const down = f32x4.splat(below)
  let i = 0
  for (; i + 8 <= n; i += 8) {
    const at = x + (<usize>i << 2)
    v128.store(
      to + (<usize>i << 1),
      i16x8.narrow_i32x4_s(whole(v128.load(at), up, down), whole(v128.load(at, 16), up, down)),
    )
  }
  for (; i < n; i++) {
    const sample = load<f32>(x + (<usize>i << 2))
    const held = Math.max(-32768, Math.min(32767, nearest(<f64>sample * <f64>(sample < 0 ? below : above))))
    store<i16>(to + (<usize>i << 1), <i16>(<i32>held))
  }
}

@inline
function whole(x: v128, up: v128, down: v128): v128 {
  const scale = v128.bitselect(down, up, f32x4.lt(x, f32x4.splat(0)))
  return i32x4.trunc_sat_f32x4_s(f32x4.nearest(f32x4.mul(x, scale)))
}
