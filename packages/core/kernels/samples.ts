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
