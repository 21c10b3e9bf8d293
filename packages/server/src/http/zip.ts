import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { breath } from './breath'

/** A file of an archive. */
export interface ZipEntry {
  readonly name: string
  readonly pieces: AsyncIterable<Uint8Array> | Iterable<Uint8Array>
  /** Whether it gets smaller; what is packed already is stored as it is. */
  readonly packs: boolean
}

/** Packing so many bytes takes a few milliseconds: in between the server does other things. */
const PIECE = 64 * 1024

/**
 * An archive that is written while it is sent: it is never in memory as a whole, and holds nobody up.
 * @param mtime date of every file
 */
export async function* zipped(
  entries: AsyncIterable<ZipEntry> | Iterable<ZipEntry>,
  mtime: string | Date = new Date(),
): AsyncGenerator<Uint8Array> {
  let ready: Uint8Array[] = []
  const zip = new Zip((error, bytes) => {
    if (error) throw error
    ready.push(bytes)
  })
  const take = () => {
    const bytes = ready
    ready = []
    return bytes
  }
  for await (const { name, pieces, packs } of entries) {
    const file = packs ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name)
    file.mtime = mtime
    zip.add(file)
    for await (const piece of pieces)
      for (let at = 0; at < piece.length; at += PIECE) {
        file.push(piece.subarray(at, at + PIECE))
        yield* take()
        await breath()
      }
    file.push(new Uint8Array(), true)
  }
  zip.end()
  yield* take()
}

/** A file of text. */
export const textEntry = (name: string, content: string): ZipEntry => ({
  name,
  pieces: [Buffer.from(content)],
  packs: true,
})

/** A title as a name of a file or folder on any system. */
export const fileName = (title: string): string =>
  title
    .replace(/[^\p{L}\p{N} ._-]+/gu, ' ')
    .replace(/^[. ]+|[. ]+$/g, '')
    .slice(0, 80) || 'untitled'

/** Half a surrogate pair, as a title may hold, is no character. */
const wellFormed = (text: string) => Buffer.from(text).toString()

/** An archive as an answer that the browser saves. */
export function zipAnswer(
  entries: AsyncIterable<ZipEntry> | Iterable<ZipEntry>,
  fileName: string,
  mtime?: string,
): Response {
  return new Response(ReadableStream.from(zipped(entries, mtime)) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(wellFormed(fileName))}`,
      'cache-control': 'private, no-store',
    },
  })
}
