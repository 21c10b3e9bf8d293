import type { MeterMap } from '@rudlo/core/time'

/** What the loop's button says: "Loop bars 5 to 8". The end of a stretch is the start of the bar after it. */
export function loopText(loop: { from: number; to: number } | null, meter: MeterMap): string {
  if (!loop) return 'No loop yet'
  return `Loop ${barsOf(loop, meter)}`
}

/** "bar 5" or "bars 5 to 8" for a stretch in ticks. */
export function barsOf({ from, to }: { from: number; to: number }, meter: MeterMap): string {
  const first = meter.placeAt(from).bar
  const last = meter.placeAt(Math.max(from, to - 1)).bar
  return first === last ? `bar ${first}` : `bars ${first} to ${last}`
}
