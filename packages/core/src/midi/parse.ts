import { words } from '@rudlo/words'
import { unpack, type RawFile } from './raw-file'

export const MIDI_LIMITS = { bytes: 4 * 1024 * 1024, tracks: 128, events: 400_000, quarters: 20_000 } as const

/**
 * The package's parser, behind checks of everything that it believes without looking.
 * @throws RangeError with one sentence for what is no MIDI file, is damaged or too large
 */
export function parsed(bytes: Uint8Array): RawFile {
  if (bytes.length > MIDI_LIMITS.bytes) throw new RangeError(words('midi.more'))
  const text = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))
  if (bytes.length < 14 || text(0) !== 'MThd') throw new RangeError(words('midi.no'))
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const format = view.getUint16(8)
  if (format > 1) throw new RangeError(words('midi.holds'))
  let tracks = 0
  let at = 8 + view.getUint32(4)
  while (at + 8 <= bytes.length) {
    const size = view.getUint32(at + 4)
    if (at + 8 + size > bytes.length) throw new RangeError(words('midi.cut'))
    if (text(at) === 'MTrk') tracks++
    at += 8 + size
  }
  if (!tracks || tracks < view.getUint16(10)) throw new RangeError(words('midi.tracks-missing'))
  if (tracks > MIDI_LIMITS.tracks)
    throw new RangeError(words('midi.tracks', { n: tracks, most: MIDI_LIMITS.tracks }))
  let file: RawFile
  try {
    file = unpack(bytes)
  } catch {
    throw new RangeError(words('midi.damaged'))
  }
  if (file.tracks.reduce((sum, t) => sum + t.length, 0) > MIDI_LIMITS.events)
    throw new RangeError(words('midi.too-many'))
  return file
}

/** A text of a file, without the padding of all kinds that programs leave in it. */
export const cleaned = (text = '') =>
  text
    // eslint-disable-next-line no-control-regex -- that is what the padding is
    .replace(/[\u0000-\u001f\u007f]/g, ' ')
    .trim()
    .slice(0, 120)
