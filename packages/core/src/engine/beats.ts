import { MeterMap, SAMPLE_RATE, TempoMap } from '../time'
import type { SongVersion } from '../song'

/** Where the beats of a song are: samples in rising order, and which of them begin a bar. */
export interface Beats {
  readonly at: Float64Array
  readonly downbeat: Uint8Array
}

/** Finds every beat from the start of a song to its end, the end included. */
export function beatsOf({ tempo, meter, length }: Pick<SongVersion, 'tempo' | 'meter' | 'length'>): Beats {
  const time = new TempoMap(tempo)
  const bars = new MeterMap(meter)
  const at: number[] = []
  const downbeat: number[] = []
  for (let tick = 0; tick <= length; tick += bars.lengthsAt(tick).beat) {
    at.push(Math.round(time.secondsAt(tick) * SAMPLE_RATE))
    downbeat.push(bars.placeAt(tick).beat === 1 ? 1 : 0)
  }
  return { at: Float64Array.from(at), downbeat: Uint8Array.from(downbeat) }
}

/** Index of the last beat at or before a sample; −1 before the first. */
export function beatAt({ at }: Beats, sample: number): number {
  let low = 0
  let high = at.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (at[middle]! <= sample) low = middle + 1
    else high = middle
  }
  return low - 1
}
