import { songTime, type SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'
import { OVERVIEW_STEP } from './overview'

/** How much coarser the coarsest zoom of an overview is than the finest. */
const COARSEST = 32

/** Bytes of the coarsest zoom of an overview, which is the last one of a packed one. @param frames samples of one channel */
export const coarsestBytes = (frames: number): number =>
  2 * Math.ceil(Math.ceil(frames / OVERVIEW_STEP) / COARSEST)

/**
 * What a song looks like from far away: how strong it is from stretch to stretch, all tracks together, as power of their peaks.
 * @param coarse the coarsest zoom of each recording's overview: pairs of lowest and highest sample, −128…127
 * @param columns into how many stretches of equal time it is cut
 * @returns 0…1 for each, the strongest 1; all 0 for a silent song
 */
export function songPicture(
  song: SongVersion,
  coarse: ReadonlyMap<string, Int8Array>,
  columns: number,
): number[] {
  const { tempo, length } = songTime(song)
  const seconds = tempo.secondsAt(length)
  const power = new Float64Array(columns)
  const step = OVERVIEW_STEP * COARSEST
  for (const region of song.regions) {
    const zoom = coarse.get(region.asset)
    if (!zoom || seconds <= 0) continue
    const from = tempo.secondsAt(region.start)
    const first = Math.floor(region.offset / step)
    const last = Math.min(zoom.length / 2 - 1, Math.floor((region.offset + region.length - 1) / step))
    for (let i = first; i <= last; i++) {
      const at = from + Math.max(0, i * step - region.offset) / SAMPLE_RATE
      const column = Math.floor((at / seconds) * columns)
      if (column < 0 || column >= columns) continue
      const peak = Math.max(-zoom[2 * i]!, zoom[2 * i + 1]!) / 128
      power[column] = power[column]! + peak * peak
    }
  }
  const strongest = Math.max(...power)
  // two digits are enough for a picture
  return [...power].map((p) => (strongest > 0 ? Math.round(Math.sqrt(p / strongest) * 100) / 100 : 0))
}
