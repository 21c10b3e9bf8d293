import { parseMidi, writeMidi, type MidiData } from 'midi-file'

/** An event as the package knows it; which fields are there depends on its type. */
export interface RawEvent {
  readonly deltaTime: number
  readonly type: string
  readonly meta?: boolean
  readonly channel?: number
  readonly noteNumber?: number
  readonly velocity?: number
  readonly controllerType?: number
  readonly value?: number
  readonly programNumber?: number
  readonly text?: string
  readonly microsecondsPerBeat?: number
  readonly numerator?: number
  readonly denominator?: number
  readonly metronome?: number
  readonly thirtyseconds?: number
}

/** A file as the package knows it. */
export interface RawFile {
  readonly header: {
    readonly format: number
    readonly numTracks: number
    readonly ticksPerBeat?: number
  }
  readonly tracks: readonly (readonly RawEvent[])[]
}

/** @throws whatever the package throws: it believes what a file says of itself */
export const unpack = (bytes: Uint8Array): RawFile => parseMidi(bytes)

/** What the package writes has to look as it has it: which fields an event needs follows from its type. */
export function pack(file: RawFile): Uint8Array {
  const written: object = { header: file.header, tracks: file.tracks }
  return Uint8Array.from(writeMidi(written as MidiData))
}
