import type { Overview } from '@rudlo/core/exchange'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'

/** Lines of a track's picture, and the box that they are drawn in. */
const LINES = 300
const HEIGHT = 32

/** What a track looks like from far away. */
export interface TrackPicture {
  /** An SVG path in a box of 300 by 32. */
  readonly path: string
  /** Its highest peak in dBFS; null for silence, or while it is not known. */
  readonly peak: number | null
}

/**
 * Draws the recordings of a track along the song.
 * @param overviews what has arrived of them, by asset
 */
export function trackPicture(
  song: SongVersion,
  track: string,
  overviews: ReadonlyMap<string, Overview>,
): TrackPicture {
  const { tempo, length } = songTime(song)
  const seconds = tempo.secondsAt(length)
  const peaks = new Float64Array(LINES)
  for (const region of song.regions) {
    const overview = overviews.get(region.asset)
    if (region.track !== track || !overview || seconds <= 0) continue
    const [pairs] = overview.zooms
    const from = tempo.secondsAt(region.start)
    const first = Math.floor(region.offset / overview.step)
    const last = Math.min(
      pairs!.length / 2 - 1,
      Math.floor((region.offset + region.length - 1) / overview.step),
    )
    for (let i = first; i <= last; i++) {
      const at = from + (i * overview.step - region.offset) / SAMPLE_RATE
      const line = Math.min(LINES - 1, Math.max(0, Math.floor((at / seconds) * LINES)))
      peaks[line] = Math.max(peaks[line]!, Math.max(-pairs![2 * i]!, pairs![2 * i + 1]!) / 128)
    }
  }
  const most = Math.max(...peaks)
  const path = [...peaks].flatMap((p, i) => {
    const half = (p * HEIGHT) / 2
    return p > 0 ? [`M${i + 0.5} ${(HEIGHT / 2 - half).toFixed(1)}V${(HEIGHT / 2 + half).toFixed(1)}`] : []
  })
  return { path: path.join(''), peak: most > 0 ? 20 * Math.log10(Math.min(1, most)) : null }
}
