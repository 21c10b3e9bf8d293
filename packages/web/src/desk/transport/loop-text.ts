import type { MeterMap } from '@rudlo/core/time'
import { t } from '../../words/t'

/** What the loop's button is called, which shows its bars alone: "Loop bars 5 to 8". The end of a stretch is the start of the bar after it. */
export function loopText(loop: { from: number; to: number } | null, meter: MeterMap): string {
  if (!loop) return t('play.loop.none')
  return t('play.loop.of', { bars: barsOf(loop, meter) })
}

/** "bar 5" or "bars 5 to 8" for a stretch in ticks. */
export function barsOf({ from, to }: { from: number; to: number }, meter: MeterMap): string {
  const first = meter.placeAt(from).bar
  const last = meter.placeAt(Math.max(from, to - 1)).bar
  return first === last ? t('play.bars.one', { bar: first }) : t('play.bars.many', { first, last })
}
