/** The spectrum of a look at both sides of a sound, and what lies in bands of it. */

/**
 * Lays two sides out for {@link transform}: one for the real part and one for the imaginary one, weighed, in turned order.
 * @param left, right `n` samples
 * @param window `n` doubles
 * @param turned `n` places of 16 bit: where each sample goes
 * @param re, im `n` doubles each, which are written
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
    const weight = load<f64>(window + (<usize>i << 3))
    const to = <usize>load<u16>(turned + (<usize>i << 1)) << 3
    store<f64>(re + to, <f64>load<f32>(left + (<usize>i << 2)) * weight)
    store<f64>(im + to, <f64>load<f32>(right + (<usize>i << 2)) * weight)
  }
}

/**
 * Turns `n` complex numbers in turned order into their spectrum, in place (J. W. Cooley and J. W. Tukey, 1965, radix 2).
 * @param cos, sin n − 1 doubles each: for every half of 1, 2, 4 … the cosines and sines of kπ / half, one half after the other
 */
export function transform(re: usize, im: usize, n: i32, cos: usize, sin: usize): void {
  // neighbours: nothing is turned yet
  for (let a: usize = 0; a < <usize>n << 3; a += 16) {
    const r = load<f64>(re + a)
    const i = load<f64>(im + a)
    const x = load<f64>(re + a, 8)
    const y = load<f64>(im + a, 8)
    store<f64>(re + a, r + x)
    store<f64>(im + a, i + y)
    store<f64>(re + a, r - x, 8)
    store<f64>(im + a, i - y, 8)
  }
  for (let half = 2; half < n; half <<= 1) {
    const bytes = <usize>half << 3
    const c0 = cos + (<usize>(half - 1) << 3)
    const s0 = sin + (<usize>(half - 1) << 3)
    for (let start: usize = 0; start < <usize>n << 3; start += bytes << 1) {
      const re0 = re + start
      const im0 = im + start
      for (let k: usize = 0; k < bytes; k += 16) {
        const c = v128.load(c0 + k)
        const s = v128.load(s0 + k)
        const rb = v128.load(re0 + bytes + k)
        const ib = v128.load(im0 + bytes + k)
        const x = f64x2.add(f64x2.mul(rb, c), f64x2.mul(ib, s))
        const y = f64x2.sub(f64x2.mul(ib, c), f64x2.mul(rb, s))
        const r = v128.load(re0 + k)
        const i = v128.load(im0 + k)
        v128.store(re0 + bytes + k, f64x2.sub(r, x))
        v128.store(im0 + bytes + k, f64x2.sub(i, y))
        v128.store(re0 + k, f64x2.add(r, x))
        v128.store(im0 + k, f64x2.add(i, y))
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
    const a = <usize>k << 3
    const b = <usize>(n - k) << 3
    const rk = load<f64>(re + a)
    const ik = load<f64>(im + a)
    const rj = load<f64>(re + b)
    const ij = load<f64>(im + b)
    const band = into + (<usize>load<u16>(bands + (<usize>k << 1)) << 3)
    store<f64>(band, load<f64>(band) + (rk * rk + ik * ik + rj * rj + ij * ij) * scale)
  }
}
