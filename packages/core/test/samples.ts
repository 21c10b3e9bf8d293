/** Whether two sounds are the same to the last bit. */
export const same = (a: Float32Array, b: Float32Array): boolean =>
  a.length === b.length && a.every((v, n) => Object.is(v, b[n]))

/** How far apart two rows of numbers are where they are farthest apart; endless where one is longer, or holds no number. */
export function farthest(a: ArrayLike<number>, b: ArrayLike<number>): number {
  if (a.length !== b.length) return Infinity
  let most = 0
  for (let n = 0; n < a.length; n++) {
    const apart = Math.abs(a[n]! - b[n]!)
    if (!(apart <= most)) most = Number.isNaN(apart) ? Infinity : apart
  }
  return most
}
