import type { Mix } from '../mix'
import { songTime, type SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'

/** Highest amplitude of a recording between two of its samples, 0…1. */
export type PeakOf = (asset: string, from: number, to: number) => number

/** Where tracks sound. */
export interface Sounds {
  /** Share of a stretch, in bars, in which a track sounds, 0…1. */
  share(track: string, from: number, to: number): number
  /** First and last bar in which it sounds, as ticks of the start of one and the end of the other; the whole song where it never does. */
  extent(track: string): { readonly from: number; readonly to: number }
}

/** A bar sounds where it is at least so strong beside the loudest of the track: 34 dB below it. */
const HEARD = 0.02

/**
 * Where the tracks of a song sound, bar by bar: by their recordings where those are known, else by where regions lie.
 * @param peakOf of the recordings
 */
export function soundsOf(song: SongVersion, mix: Mix, peakOf: PeakOf = () => 1): Sounds {
  const { meter, tempo } = songTime(song)
  const bars = meter.placeAt(Math.max(0, song.length - 1)).bar
  const sample = (tick: number) => Math.round(tempo.secondsAt(tick) * SAMPLE_RATE)
  const known = new Map<string, readonly boolean[]>()

  /** Whether each bar sounds. */
  function sounding(track: string): readonly boolean[] {
    const before = known.get(track)
    if (before) return before
    const regions = mix.tracks.find((t) => t.id === track)?.regions ?? []
    const peaks = Array.from({ length: bars }, (_, i) => {
      const [from, to] = [sample(meter.barStart(i + 1)), sample(meter.barStart(i + 2))]
      return regions.reduce((highest, r) => {
        const start = sample(r.start)
        const [a, b] = [Math.max(from, start), Math.min(to, start + r.length)]
        return b > a
          ? Math.max(highest, peakOf(r.asset, a - start + r.offset, b - start + r.offset))
          : highest
      }, 0)
    })
    const loudest = Math.max(...peaks)
    const found = peaks.map((p) => p > 0 && p >= HEARD * loudest)
    known.set(track, found)
    return found
  }

  return {
    share(track, from, to) {
      const first = meter.placeAt(from).bar
      const last = meter.placeAt(Math.max(from, to - 1)).bar
      const all = sounding(track).slice(first - 1, last)
      return all.length ? all.filter(Boolean).length / all.length : 0
    },
    extent(track) {
      const all = sounding(track)
      const first = all.indexOf(true)
      if (first < 0) return { from: 0, to: song.length }
      return {
        from: meter.barStart(first + 1),
        to: Math.min(song.length, meter.barStart(all.lastIndexOf(true) + 2)),
      }
    },
  }
}
