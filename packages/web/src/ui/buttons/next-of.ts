const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }

/**
 * Where a key leads in a row of things: arrows go round, Home and End to its ends; what cannot be chosen is left out.
 * @param at where the focus is, from 0; below 0 for nowhere
 * @param free which of them can be chosen
 * @returns the place from 0; null where the key means nothing here
 */
export function nextOf(key: string, at: number, free: readonly boolean[]): number | null {
  const places = free.flatMap((is, i) => (is ? [i] : []))
  if (!places.length) return null
  if (key === 'Home') return places[0]!
  if (key === 'End') return places.at(-1)!
  const step = STEPS[key]
  if (!step) return null
  const here = places.indexOf(at)
  if (here < 0)
    return step > 0
      ? (places.find((p) => p > at) ?? places[0]!)
      : (places.findLast((p) => p < at) ?? places.at(-1)!)
  return places[(here + step + places.length) % places.length]!
}
