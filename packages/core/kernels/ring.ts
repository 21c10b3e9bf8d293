/** Rings of samples, their size a power of two: `mask` is the size less one. */

/** Copies `n` samples from place `from` of a ring on. */
export function ringRead(ring: usize, mask: i32, from: i32, to: usize, n: i32): void {
  const start = from & mask
  const first = min(n, mask + 1 - start)
  memory.copy(to, ring + ((<usize>start) << 2), (<usize>first) << 2)
  if (first < n) memory.copy(to + ((<usize>first) << 2), ring, (<usize>(n - first)) << 2)
}

/** Fades from what is in `to` over to a ring: the ring's share runs straight from `share` by `step` a sample. */
export function ringFade(ring: usize, mask: i32, from: i32, to: usize, n: i32, share: f64, step: f64): void {
  for (let i = 0; i < n; i++) {
    const o = (<usize>i) << 2
    const s = share + step * <f64>i
    const x = <f64>load<f32>(ring + ((<usize>((from + i) & mask)) << 2))
    store<f32>(to + o, <f32>(<f64>load<f32>(to + o) * (1 - s) + x * s))
  }
}

/** Writes `n` samples to a ring from place `from` on. */
export function ringWrite(ring: usize, mask: i32, from: i32, x: usize, n: i32): void {
  const start = from & mask
  const first = min(n, mask + 1 - start)
  memory.copy(ring + ((<usize>start) << 2), x, (<usize>first) << 2)
  if (first < n) memory.copy(ring, x + ((<usize>first) << 2), (<usize>(n - first)) << 2)
}
