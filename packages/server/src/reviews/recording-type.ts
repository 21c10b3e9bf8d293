/** How files of sound begin that browsers record. */
const BEGINNINGS: readonly {
  readonly type: string
  readonly at: number
  readonly bytes: readonly number[]
}[] = [
  // EBML: Matroska and WebM
  { type: 'audio/webm', at: 0, bytes: [0x1a, 0x45, 0xdf, 0xa3] },
  // "OggS"
  { type: 'audio/ogg', at: 0, bytes: [0x4f, 0x67, 0x67, 0x53] },
  // "ftyp", after the length of its box: ISO base media (MP4)
  { type: 'audio/mp4', at: 4, bytes: [0x66, 0x74, 0x79, 0x70] },
]

/** What a recording is, by how it begins and not by what it is called; null for what no browser records. */
export const recordingType = (audio: Uint8Array): string | null =>
  BEGINNINGS.find(({ at, bytes }) => bytes.every((byte, i) => audio[at + i] === byte))?.type ?? null
