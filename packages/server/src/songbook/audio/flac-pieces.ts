import { open } from 'node:fs/promises'
import type { AssetBytes, AssetFile } from './asset-bytes'

/** Bytes of a chunk: 1 MiB. */
export const CHUNK = 1024 * 1024

/**
 * The FLAC file of audio in pieces of {@link CHUNK} bytes and a last one. Those of a file lie in the same memory one after the
 * other: a piece is done with before the next is asked for.
 * @throws Error where a file is shorter than it is said to be
 */
export async function* flacPieces(made: AssetBytes | AssetFile): AsyncGenerator<Buffer> {
  if ('flac' in made) {
    const { buffer, byteOffset, length } = made.flac
    const all = Buffer.from(buffer, byteOffset, length)
    for (let at = 0; at < length; at += CHUNK) yield all.subarray(at, at + CHUNK)
    return
  }
  const file = await open(made.file)
  try {
    const memory = Buffer.allocUnsafe(Math.min(CHUNK, made.bytes))
    for (let at = 0; at < made.bytes; at += CHUNK) {
      const wanted = Math.min(CHUNK, made.bytes - at)
      const { bytesRead } = await file.read(memory, 0, wanted, at)
      if (bytesRead !== wanted) throw new Error('A file that was made is shorter than it was.')
      yield memory.subarray(0, wanted)
    }
  } finally {
    await file.close()
  }
}
