import { BLOCK, compileMix, Engine, type AudioStore, type Program } from '../engine'
import type { Mix } from '../mix'
import type { SongVersion } from '../song'
import { programOf, returnsOf } from './apart'
import { RecentParts, type HeardCache } from './cache'
import { keptBands, SectionLooks, sectionPlaces, type SectionPlaces } from './section-looks'

/** Energies of every track in the critical bands, section by section: by id of the section, then of the track. */
export type SectionBands = ReadonlyMap<string, ReadonlyMap<string, Float64Array>>

/**
 * What each track of a mix has in the critical bands, with its share of the returns, section by section. A track that was not looked
 * at while the mix was heard (see `hear`) is played alone.
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
  const places = sectionPlaces(song)
  const found = new Map(song.sections.map(({ id }) => [id, new Map<string, Float64Array>()]))
  for (const [i, track] of mix.tracks.entries()) {
    const { key, of, power } = keptBands(song, mix, track, places)
    const tapped = [track.id, ...returnsOf(mix, track.id)] as const
    const sums =
      cache.bands.get(key) ??
      bandsOf(compileMix(song, of), audio, tapped, places, (share) =>
        onProgress((i + share) / mix.tracks.length),
      )
    if (!sums) return null
    cache.bands.set(key, sums)
    song.sections.forEach(({ id: section }, k) =>
      found.get(section)!.set(
        track.id,
        sums[k]!.map((e) => e * power),
      ),
    )
  }
  return found
}

/** Energies of one track with its returns, for each section: played alone. */
function bandsOf(
  program: Program,
  audio: AudioStore,
  [id, ...returns]: readonly [string, ...string[]],
  places: SectionPlaces,
  onProgress: (share: number) => boolean,
): readonly Float64Array[] | null {
  const engine = new Engine(programOf(program, id), audio)
  const looks = new SectionLooks(engine.tap([id, ...returns]), places)
  const out = [new Float32Array(BLOCK), new Float32Array(BLOCK)] as const
  for (let at = 0; at + BLOCK <= places.length; at += BLOCK) {
    engine.process(at, BLOCK, ...out)
    looks.take(at)
    if (!onProgress(at / places.length)) return null
  }
  return looks.sums
}
