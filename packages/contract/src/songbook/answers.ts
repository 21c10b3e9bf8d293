import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'

/** A song in the songbook. */
export interface SongEntry {
  /** Its newest version. */
  readonly id: string
  readonly song: string
  readonly title: string
  readonly number: number
  /** Whether the teacher who asks may change it. */
  readonly mine: boolean
  /** Whether it was put away: still here, and not offered any more. */
  readonly archived: boolean
  readonly seconds: number
  /** Quarter notes a minute at its beginning. */
  readonly bpm: number
  /** Metre at its beginning: "4/4". */
  readonly meter: string
  readonly tracks: number
  /** Letters and names of its sections, with where each begins, 0…1. */
  readonly sections: readonly { readonly letter: string; readonly name: string; readonly at: number }[]
  /** How strong it is from stretch to stretch of equal time, 0…1. */
  readonly picture: readonly number[]
  /** Titles of assignments that use it, of those that this teacher sees. */
  readonly usedIn: readonly string[]
}

export interface SongView {
  readonly document: SongVersion
  /** The mix that it came in with; null where it begins flat. */
  readonly mix: Mix | null
}

/** A version that was kept. */
export interface SongKept {
  readonly song: string
  readonly version: string
}

/** A file on its way. */
export interface UploadView {
  readonly id: string
  /** Bytes of a piece; the last one may be smaller. */
  readonly chunk: number
}

/** How much of a file has arrived: where to go on after a lost connection. */
export interface ArrivedView {
  readonly chunks: number
  readonly bytes: number
}

/** What became of an audio file. */
export interface Decoded {
  readonly asset: string
  readonly channels: 1 | 2
  readonly frames: number
  /** Whether the same sound was here already. */
  readonly known: boolean
}

/** What became of a file of notes or of a bundle: a song that is not kept yet, and a mix with the lines that came along. */
export interface BroughtSong {
  readonly document: SongVersion
  /** The moves that the file holds of volume, pan, sends and how it is played, as lines; null where it holds none. */
  readonly mix: Mix | null
  /** What the file calls the piece, where nobody would call it that without being asked; empty where there is nothing to ask. */
  readonly doubtfulTitle: string
}
