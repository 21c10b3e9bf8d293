/** The spectrum of a look at both sides of a sound, and what lies in bands of it. */

/**
 * Lays two sides out for {@link transform}: one for the real part and one for the imaginary one, weighed, in turned order.
 * @param left, right `n` samples
 * @param window `n` weights
 * @param turned `n` places of 16 bit: where each sample goes
 * @param re, im `n` numbers each, which are written
 */
export function layOut(
  left: usize,
  right: usize,
  n: i32,
  window: usize,
  turned: usize,
  re: usize,
  im: usize,
): void {
  for (let i = 0; i < n; i++) {
    const weight = load<f32>(window + (<usize>i << 2))
    const to = <usize>load<u16>(turned + (<usize>i << 1)) << 2
    store<f32>(re + to, load<f32>(left + (<usize>i << 2)) * weight)
    store<f32>(im + to, load<f32>(right + (<usize>i << 2)) * weight)
  }
}

/** The two stages in which nothing is turned by anything but quarters, for four numbers that lie beside each other. */
@inline
function fours(re: usize, im: usize): void {
  const r = v128.load(re)
  const i = v128.load(im)
  // a ± b and c ± d
  const rs = f32x4.add(f32x4.mul(r, f32x4(1, -1, 1, -1)), v128.shuffle<i32>(r, r, 1, 0, 3, 2))
  const is = f32x4.add(f32x4.mul(i, f32x4(1, -1, 1, -1)), v128.shuffle<i32>(i, i, 1, 0, 3, 2))
  // the second of the later two is turned by −i
  const rb = v128.shuffle<i32>(rs, is, 2, 7, 2, 7)
  const ib = f32x4.mul(v128.shuffle<i32>(is, rs, 2, 7, 2, 7), f32x4(1, -1, 1, -1))
  const sign = f32x4(1, 1, -1, -1)
  v128.store(re, f32x4.add(v128.shuffle<i32>(rs, rs, 0, 1, 0, 1), f32x4.mul(rb, sign)))
  v128.store(im, f32x4.add(v128.shuffle<i32>(is, is, 0, 1, 0, 1), f32x4.mul(ib, sign)))
}

/**
 * Turns `n` complex numbers in turned order into their spectrum, in place (J. W. Cooley and J. W. Tukey, 1965, radix 2). `n` is 4 or more.
 * @param cos, sin n − 4 numbers each: for every half of 4, 8 … the cosines and sines of kπ / half, one half after the other
 */
export function transform(re: usize, im: usize, n: i32, cos: usize, sin: usize): void {
  for (let a: usize = 0; a < <usize>n << 2; a += 16) fours(re + a, im + a)
  for (let half = 4; half < n; half <<= 1) {
    const bytes = <usize>half << 2
    const c0 = cos + (<usize>(half - 4) << 2)
    const s0 = sin + (<usize>(half - 4) << 2)
    for (let start: usize = 0; start < <usize>n << 2; start += bytes << 1) {
      const re0 = re + start
      const im0 = im + start
      for (let k: usize = 0; k < bytes; k += 16) {
        const c = v128.load(c0 + k)
        const s = v128.load(s0 + k)
        const rb = v128.load(re0 + bytes + k)
        const ib = v128.load(im0 + bytes + k)
        const x = f32x4.add(f32x4.mul(rb, c), f32x4.mul(ib, s))
        const y = f32x4.sub(f32x4.mul(ib, c), f32x4.mul(rb, s))
        const r = v128.load(re0 + k)
        const i = v128.load(im0 + k)
        v128.store(re0 + bytes + k, f32x4.sub(r, x))
        v128.store(im0 + bytes + k, f32x4.sub(i, y))
        v128.store(re0 + k, f32x4.add(r, x))
        v128.store(im0 + k, f32x4.add(i, y))
      }
    }
  }
}

/**
 * Adds up what lies in each band: |Z(k)|² + |Z(−k)|² is twice |L|² + |R|², whatever one side has to do with the other.
 * @param bands `lines` numbers of 16 bit: the band of each line from 0 on
 * @param lines how many lines lie in a band at all
 * @param into doubles, one a band, that are added to
 */
export function addBands(
  re: usize,
  im: usize,
  n: i32,
  bands: usize,
  lines: i32,
  scale: f64,
  into: usize,
): void {
  for (let k = 1; k < lines; k++) {
    const a = <usize>k << 2
    const b = <usize>(n - k) << 2
    const rk = <f64>load<f32>(re + a)
    const ik = <f64>load<f32>(im + a)
    const rj = <f64>load<f32>(re + b)
    const ij = <f64>load<f32>(im + b)
    const band = into + (<usize>load<u16>(bands + (<usize>k << 1)) << 3)
    store<f64>(band, load<f64>(band) + (rk * rk + ik * ik + rj * rj + ij * ij) * scale)
  }
}
