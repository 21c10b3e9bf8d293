import { MeterMap, TempoMap, type MeterChange, type TempoChange } from '../time'

/** What a track does in the song; colours and balance advice follow it. */
export const ROLES = ['lead', 'voice', 'bass', 'drums', 'chords', 'texture', 'effect'] as const
export type Role = (typeof ROLES)[number]

/** A stretch of the song with a rehearsal letter. It ends where the next one starts. */
export interface Section {
  readonly id: string
  readonly letter: string
  readonly name: string
  readonly tick: number
}

/** Audio by the hash of its samples; 16 bit, 44.1 kHz. */
export interface AssetInfo {
  readonly id: string
  readonly channels: 1 | 2
  /** Samples of one channel. */
  readonly frames: number
}

export interface SongTrack {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly channels: 1 | 2
  /** Whether it was played from notes by an instrument of the project: how it is played can then be set and moved. */
  readonly played?: boolean
}

/** A region as recorded: the mix starts from a copy of it. */
export interface SongRegion {
  readonly id: string
  readonly track: string
  readonly asset: string
  readonly start: number
  /** Where in the asset the region begins, in samples. */
  readonly offset: number
  /** In samples. */
  readonly length: number
}

/** A song as it was at one time: never changed, only followed by another version. */
export interface SongVersion {
  readonly format: 'rudlo-song'
  readonly version: 1
  readonly title: string
  /** Length of the song in ticks; tails may ring on after it. */
  readonly length: number
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
  readonly sections: readonly Section[]
  readonly tracks: readonly SongTrack[]
  readonly regions: readonly SongRegion[]
  readonly assets: readonly AssetInfo[]
}

/** The time of a song: its tempo and its bars. */
export interface SongTime {
  readonly tempo: TempoMap
  readonly meter: MeterMap
  readonly length: number
  /** Length in seconds. */
  readonly seconds: number
}

/** Builds the maps of a song's time. @throws RangeError for a tempo or time signature that cannot be */
export function songTime(song: SongVersion): SongTime {
  const tempo = new TempoMap(song.tempo)
  const meter = new MeterMap(song.meter)
  return { tempo, meter, length: song.length, seconds: tempo.secondsAt(song.length) }
}

/** The section around `tick`, or undefined before the first. */
export function sectionAt(song: SongVersion, tick: number): Section | undefined {
  return song.sections.findLast((s) => s.tick <= tick)
}
