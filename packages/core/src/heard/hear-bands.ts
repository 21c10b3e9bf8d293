import { BLOCK, compileMix, Engine, type AudioStore, type Program } from '../engine'
import { lineInCharge, trackLevel, withSetting, type Mix } from '../mix'
import { levelGain } from '../scale'
import { songTime, type SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'
import { programOf, returnsOf } from './apart'
import { BandMeter, BANDS, LOOK } from './bands'
import { RecentParts, type HeardCache } from './cache'
import { isDry } from './dry'
import { trackKey } from './hear'

/** Energies of every track in the critical bands, section by section: by id of the section, then of the track. */
export type SectionBands = ReadonlyMap<string, ReadonlyMap<string, Float64Array>>

/**
 * What each track of a mix has in the critical bands, with its share of the returns, section by section. Each is played alone.
 * @param cache as for `hear`: a track that did not change is not played again
 * @param onProgress told the share done, 0…1; returns false to stop
 * @returns null where it was stopped
 */
export function hearBands(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  cache: HeardCache = new RecentParts(),
  onProgress: (share: number) => boolean = () => true,
): SectionBands | null {
  const { tempo } = songTime(song)
  const starts = song.sections.map(({ tick }) => Math.round(tempo.secondsAt(tick) * SAMPLE_RATE))
  const length = Math.round(tempo.secondsAt(song.length) * SAMPLE_RATE)
  const found = new Map(song.sections.map(({ id }) => [id, new Map<string, Float64Array>()]))
  for (const [i, track] of mix.tracks.entries()) {
    const { id } = track
    // a dry track without a line has at any level what it has at 0 dB, louder or softer
    const still = isDry(mix, track) && !lineInCharge(mix, trackLevel(id))
    const played = still ? withSetting(mix, trackLevel(id), 0) : mix
    const key = JSON.stringify([starts, trackKey(song, played, id)])
    const sums =
      cache.bands.get(key) ??
      bandsOf(compileMix(song, played), audio, [id, ...returnsOf(mix, id)], { starts, length }, (share) =>
        onProgress((i + share) / mix.tracks.length),
      )
    if (!sums) return null
    cache.bands.set(key, sums)
    const power = still ? levelGain(track.level) * levelGain(track.level) : 1
    song.sections.forEach(({ id: section }, k) =>
      found.get(section)!.set(
        id,
        sums[k]!.map((e) => e * power),
      ),
    )
  }
  return found
}

/** Every so manieth look is taken, the same ones of every track: what covers what is told as well by half of a section. */
const EVERY = 2

/** Energies of one track with its returns, for each section. In samples: where sections start, and how long the song is. */
function bandsOf(
  program: Program,
  audio: AudioStore,
  [id, ...returns]: readonly [string, ...string[]],
  { starts, length }: { readonly starts: readonly number[]; readonly length: number },
  onProgress: (share: number) => boolean,
): readonly Float64Array[] | null {
  const sums = starts.map(() => new Float64Array(BANDS))
  const engine = new Engine(programOf(program, id), audio)
  const bus = engine.tap([id, ...returns])
  const meter = new BandMeter()
  const [left, right] = [new Float32Array(LOOK), new Float32Array(LOOK)]
  const out = [new Float32Array(BLOCK), new Float32Array(BLOCK)] as const
  let filled = 0
  let looks = 0
  for (let at = 0; at < length; at += BLOCK) {
    const n = Math.min(BLOCK, length - at)
    const short = n < BLOCK
    const [l, r] = short ? [out[0].subarray(0, n), out[1].subarray(0, n)] : out
    engine.process(at, n, l, r)
    left.set(short ? bus.left.view.subarray(0, n) : bus.left.view, filled)
    right.set(short ? bus.right.view.subarray(0, n) : bus.right.view, filled)
    filled += n
    if (filled < LOOK) continue
    filled = 0
    if (looks++ % EVERY) continue
    // a look belongs to the section that its middle lies in
    const section = starts.findLastIndex((start) => at + n - LOOK / 2 >= start)
    if (section >= 0) meter.add(left, right, sums[section]!)
    if (!onProgress(at / length)) return null
  }
  return sums
}
