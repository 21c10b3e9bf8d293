import type { Overview } from '@rudlo/core/exchange'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import type { Span } from '../../editor/lane/viewport'

/** A stretch of an overview counts as sound from here on, of 127: about −20 dBFS at its peaks. */
const SOUND = 12

/**
 * The first bars in which a track sounds all the time: what is shown there is heard.
 * @param overviews by asset
 * @param count how many bars, from the second on
 * @returns the bars in ticks; null where there are none, or the overview is not there yet
 */
export function soundingBars(
  song: SongVersion,
  track: string,
  overviews: ReadonlyMap<string, Overview>,
  count: number,
): Span | null {
  const region = song.regions.find((r) => r.track === track)
  const overview = region && overviews.get(region.asset)
  if (!region || !overview) return null
  const { tempo, meter, length } = songTime(song)
  const peaks = overview.zooms.at(-1)!
  const step = overview.step * 2 ** (overview.zooms.length - 1)
  const begins = tempo.secondsAt(region.start)
  const index = (tick: number) => ((tempo.secondsAt(tick) - begins) * SAMPLE_RATE + region.offset) / step
  const sounds = (bar: number) => {
    // only stretches that lie in the bar as a whole: no neighbour's sound counts
    const end = Math.floor(index(meter.barStart(bar + 1)))
    for (let i = Math.max(0, Math.ceil(index(meter.barStart(bar)))); i < end; i++) {
      if (Math.max(-(peaks[2 * i] ?? 0), peaks[2 * i + 1] ?? 0) >= SOUND) return true
    }
    return false
  }
  const bars = meter.placeAt(length - 1).bar
  for (let bar = 2, run = 0; bar <= bars; bar++) {
    run = sounds(bar) ? run + 1 : 0
    if (run === count) return { from: meter.barStart(bar - count + 1), to: meter.barStart(bar + 1) }
  }
  return null
}
