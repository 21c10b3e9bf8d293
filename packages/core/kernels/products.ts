/** Sums of the products of many signals, every two of them. */
import { all, SHORT } from './vectors'

@inline
function add(to: usize, sum: v128): void {
  store<f64>(to, load<f64>(to) + all(sum))
}

/**
 * Sums of the products of every two of some signals: row after row of the lower triangle.
 * @param rows the signals, one after the other
 * @param count how many there are
 * @param n samples of each, a multiple of four
 * @param out count · (count + 1) / 2 doubles
 */
export function products(rows: usize, count: i32, n: i32, out: usize): void {
  const row = <usize>n << 2
  memory.fill(out, 0, (<usize>(count * (count + 1)) >> 1) << 3)
  for (let from = 0; from < n; from += SHORT) {
    const start = rows + (<usize>from << 2)
    const length = <usize>min(SHORT, n - from) << 2
    let to = out
    for (let k = 0; k < count; k++) {
      const a = start + <usize>k * row
      let l = 0
      // four at a time: each sample of the one is read once for all of them
      for (; l + 4 <= k + 1; l += 4) {
        const b = start + <usize>l * row
        let s0 = f32x4.splat(0)
        let s1 = f32x4.splat(0)
        let s2 = f32x4.splat(0)
        let s3 = f32x4.splat(0)
        for (let o: usize = 0; o < length; o += 16) {
          const x = v128.load(a + o)
          const p = b + o
          s0 = f32x4.add(s0, f32x4.mul(x, v128.load(p)))
          s1 = f32x4.add(s1, f32x4.mul(x, v128.load(p + row)))
          s2 = f32x4.add(s2, f32x4.mul(x, v128.load(p + 2 * row)))
          s3 = f32x4.add(s3, f32x4.mul(x, v128.load(p + 3 * row)))
        }
        add(to, s0)
        add(to + 8, s1)
        add(to + 16, s2)
        add(to + 24, s3)
        to += 32
      }
      for (; l <= k; l++) {
        const b = start + <usize>l * row
        let sum = f32x4.splat(0)
        for (let o: usize = 0; o < length; o += 16)
          sum = f32x4.add(sum, f32x4.mul(v128.load(a + o), v128.load(b + o)))
        add(to, sum)
        to += 8
      }
    }
  }
}
