import { BLOCK, compileMix, Engine, type AudioStore } from '../engine'
import type { Mix } from '../mix'
import { songTime, type SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'
import { programOf, returnsOf } from './apart'
import { BandMeter, BANDS, LOOK } from './bands'

/** Energies of every track in the critical bands, section by section: by id of the section, then of the track. */
export type SectionBands = ReadonlyMap<string, ReadonlyMap<string, Float64Array>>

/**
 * What each track of a mix has in the critical bands, with its share of the returns, section by section. Each is played alone.
 * @param onProgress told the share done, 0…1; returns false to stop
 * @returns null where it was stopped
 */
export function hearBands(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  onProgress: (share: number) => boolean = () => true,
): SectionBands | null {
  const { tempo } = songTime(song)
  const starts = song.sections.map(({ tick }) => Math.round(tempo.secondsAt(tick) * SAMPLE_RATE))
  const length = Math.round(tempo.secondsAt(song.length) * SAMPLE_RATE)
  const found = new Map(song.sections.map(({ id }) => [id, new Map<string, Float64Array>()]))
  const program = compileMix(song, mix)
  for (const [i, { id }] of mix.tracks.entries()) {
    const sums = song.sections.map(() => new Float64Array(BANDS))
    const engine = new Engine(programOf(program, id), audio)
    const bus = engine.tap([id, ...returnsOf(mix, id)])
    const meter = new BandMeter()
    const [left, right] = [new Float32Array(LOOK), new Float32Array(LOOK)]
    const out = [new Float32Array(BLOCK), new Float32Array(BLOCK)] as const
    let filled = 0
    for (let at = 0; at < length; at += BLOCK) {
      const n = Math.min(BLOCK, length - at)
      engine.process(
        at,
        n,
        n < BLOCK ? out[0].subarray(0, n) : out[0],
        n < BLOCK ? out[1].subarray(0, n) : out[1],
      )
      left.set(n < BLOCK ? bus.left.view.subarray(0, n) : bus.left.view, filled)
      right.set(n < BLOCK ? bus.right.view.subarray(0, n) : bus.right.view, filled)
      filled += n
      if (filled < LOOK) continue
      // a look belongs to the section that its middle lies in
      const section = starts.findLastIndex((start) => at + n - LOOK / 2 >= start)
      if (section >= 0) meter.add(left, right, sums[section]!)
      filled = 0
      if (!onProgress((i + at / length) / mix.tracks.length)) return null
    }
    song.sections.forEach((section, k) => found.get(section.id)!.set(id, sums[k]!))
  }
  return found
}
