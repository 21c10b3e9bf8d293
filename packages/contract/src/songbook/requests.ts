import { words } from '@rudlo/words'
import {
  IsBoolean,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import { AsSent } from '../fields'

/** Bytes of a song: room for thousands of regions and tempo changes. */
export const SONG_LIMIT = 2.5 * 1024 * 1024

/** A file that is about to be sent, piece after piece. */
export class NewUpload {
  @IsString()
  @Length(1, 255, { message: () => words('bad.songbook.name-file-missing') })
  name!: string

  /** Its size. */
  @IsInt()
  @Min(0)
  @Max(1e12)
  bytes!: number
}

/** A song as it is to be. */
export class SongToKeep {
  /** A core `SongVersion`. */
  @AsSent()
  @IsObject({ message: () => words('bad.songbook.song-missing') })
  document!: object

  /**
   * The mix that it begins with, a core `Mix`; null for one that begins flat. Where nothing is said, the mix of the version
   * before stays.
   */
  @AsSent()
  @IsOptional()
  @IsObject()
  mix?: object | null
}

/** Whether a song is put away. */
export class SongArchived {
  @IsBoolean()
  archived!: boolean
}

/** What the song of a MIDI file is called. */
export class NotesQuery {
  /** The name of the file. */
  @IsOptional()
  @IsString()
  @MaxLength(255)
  name?: string
}
