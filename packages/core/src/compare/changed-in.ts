import { valueAt } from '../envelope'
import { resolve, type Address, type Mix } from '../mix'
import { lineOf } from './line-difference'

/** So many places of a stretch are looked at, its ends among them. */
const LOOKS = 24
/** Less than that of the way a control can go is no change. */
const HAIR = 0.004

/**
 * Whether a control does something else in a stretch than it did before.
 * @param from @param to ticks
 */
export function changedIn(before: Mix, now: Mix, lane: Address, from: number, to: number): boolean {
  const [was, is] = [lineOf(before, lane), lineOf(now, lane)]
  if (!was || !is) return was !== is
  const { scale } = resolve(now, lane)!.control
  return Array.from({ length: LOOKS }, (_, i) => from + ((to - from) * i) / (LOOKS - 1)).some((tick) => {
    const [a, b] = [valueAt(was, scale, tick), valueAt(is, scale, tick)].map((v) => scale.toTravel(v)) as [
      number,
      number,
    ]
    return Math.abs(a - b) > HAIR
  })
}
