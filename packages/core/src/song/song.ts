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

/** Who of the project's own players can play a part. */
export const PLAYERS = [
  'squeezebox',
  'whistle',
  'hum',
  'lowStrings',
  'harp',
  'uprightBass',
  'brushes',
  'tide',
  'piano',
  'quills',
  'tinePiano',
  'bells',
  'blocks',
  'kettles',
  'steelBars',
  'steelPan',
  'toms',
  'tongues',
  'vibes',
  'woodenBars',
  'pipeOrgan',
  'reedOrgan',
  'wheelOrgan',
  'concertHarp',
  'drivenGuitar',
  'electricGuitar',
  'longNeck',
  'mutedGuitar',
  'nylonGuitar',
  'pizzicato',
  'steelGuitar',
  'fingerBass',
  'slapBass',
  'standingBass',
  'synthBass',
  'fiddle',
  'section',
  'synthStrings',
  'tremolo',
  'choir',
  'voiceOo',
  'brassSection',
  'horn',
  'trombone',
  'trumpet',
  'tuba',
  'bassoon',
  'clarinet',
  'oboe',
  'saxophone',
  'breathyPipe',
  'flute',
  'recorder',
  'glassPad',
  'sawLead',
  'squareLead',
  'warmPad',
  'seaAndWind',
  'kit',
] as const
export type PlayerName = (typeof PLAYERS)[number]

/** Where it begins and how long it is, in quarters; pitch as a MIDI note number (of drums: the stroke); strength 0…1. */
export type PartNote = readonly [at: number, quarters: number, pitch: number, strength: number]

/** The notes of a part and how they are played: it can be played again in another tempo. */
export interface WrittenPart {
  readonly player: PlayerName
  /** Most a note comes early or late, in seconds. */
  readonly freedom: number
  /** Highest amplitude of what comes out. */
  readonly peak: number
  /** Most that its peaks stand above the loudness that it has before they are held down, in dB; where they are. */
  readonly crest?: number
  /** What its small freedoms follow from. */
  readonly seed: number
  readonly notes: readonly PartNote[]
  /** From a place on, in quarters, its pitch is bent by so many semitones. */
  readonly bends?: readonly (readonly [at: number, semitones: number])[]
  /** Notes, by their place among them from 0, that slide from a pitch to their own in so many seconds. */
  readonly slides?: readonly (readonly [note: number, from: number, seconds: number])[]
}

/** Notes that are kept of all parts of a song together: of more, it stays in the tempo that it was played in. */
export const MOST_NOTES = 12_000
/** Bends that are kept of a part. */
export const MOST_BENDS = 20_000
/** A slide takes no longer, in seconds. */
export const LONGEST_SLIDE = 1.5

export interface SongTrack {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly channels: 1 | 2
  /** Whether it was played from notes by an instrument of the project: how it is played can then be set and moved. */
  readonly played?: boolean
  /** Its notes, where they were kept. */
  readonly part?: WrittenPart
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
