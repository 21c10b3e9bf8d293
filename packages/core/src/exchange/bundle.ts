import { words } from '@rudlo/words'
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate'
import type { Mix } from '../mix'
import type { SongVersion } from '../song'

/** A song with a mix and all its audio, in one file. See docs/formats.md. */
export interface Bundle {
  readonly song: SongVersion
  readonly mix: Mix
  /** FLAC files by asset id. */
  readonly audio: ReadonlyMap<string, Uint8Array>
}

/** What is in a bundle as it was read: the documents still have to be checked. */
export interface BundleParts {
  readonly song: unknown
  readonly mix: unknown
  readonly audio: ReadonlyMap<string, Uint8Array>
}

const HEAD = 'bundle.json'
const SONG = 'song.json'
const MIX = 'mix.json'
const AUDIO = /^audio\/([0-9a-f]{64})\.flac$/
const VERSION = 1

/** What a bundle may hold at most, in bytes, unpacked: a document, and everything together. */
const LARGEST_DOCUMENT = 4 * 1024 * 1024
const LARGEST_BUNDLE = 1024 * 1024 * 1024

/** The date of every file in a bundle: the same content gives the same bytes. */
export const BUNDLE_TIME = '2000-01-01T00:00:00'

/** The documents of a bundle, by name, in their order. */
export const bundleDocuments = ({ song, mix }: Pick<Bundle, 'song' | 'mix'>): Record<string, Uint8Array> => ({
  [HEAD]: document({ format: 'rudlo-bundle', version: VERSION, title: song.title }),
  [SONG]: document(song),
  [MIX]: document(mix),
})

/** Where the audio of an asset lies in a bundle: stored as it is, since FLAC does not get smaller. */
export const bundleAudio = (assetId: string): string => `audio/${assetId}.flac`

/** Packs a bundle: a zip of its documents and its audio. @throws RangeError where audio is missing */
export function packBundle({ song, mix, audio }: Bundle): Uint8Array {
  const files: Zippable = bundleDocuments({ song, mix })
  for (const { id } of song.assets) {
    const bytes = audio.get(id)
    if (!bytes) throw new RangeError(words('bundle.audio-song-not', { id: id.slice(0, 8) }))
    files[bundleAudio(id)] = [bytes, { level: 0 }]
  }
  return zipSync(files, { level: 6, mtime: BUNDLE_TIME })
}

const document = (value: unknown) => strToU8(JSON.stringify(value))

/**
 * Unpacks a bundle. Nothing is written anywhere, and nothing is unpacked before its name and its size are known.
 * @throws RangeError with one sentence for what is no bundle, is damaged, too large, of a newer version or not whole
 */
export function unpackBundle(bytes: Uint8Array): BundleParts {
  const files = unzip(bytes)
  const { format, version } = readDocument(files, HEAD) as { format?: unknown; version?: unknown }
  if (format !== 'rudlo-bundle') throw new RangeError(words('bundle.zip-not-rudlo'))
  if (version !== VERSION) throw new RangeError(words('bundle.written-newer'))
  const song = readDocument(files, SONG)
  const mix = readDocument(files, MIX)
  const audio = new Map<string, Uint8Array>()
  for (const [name, content] of Object.entries(files)) {
    const id = AUDIO.exec(name)?.[1]
    if (id) audio.set(id, content)
  }
  for (const { id } of assetsOf(song)) {
    if (!audio.has(id)) throw new RangeError(words('bundle.not-whole', { id }))
  }
  return { song, mix, audio }
}

function unzip(bytes: Uint8Array): Record<string, Uint8Array> {
  let total = 0
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (![HEAD, SONG, MIX].includes(name) && !AUDIO.test(name))
          throw new RangeError(words('bundle.holds-file', { name: name.slice(0, 80) }))
        total += originalSize
        if (total > LARGEST_BUNDLE || (name.endsWith('.json') && originalSize > LARGEST_DOCUMENT))
          throw new RangeError(words('bundle.too-large'))
        return true
      },
    })
  } catch (error) {
    if (error instanceof RangeError) throw error
    throw new RangeError(words('bundle.not-zip-file'))
  }
}

function readDocument(files: Record<string, Uint8Array>, name: string): Record<string, unknown> {
  const content = files[name]
  if (!content) throw new RangeError(words('bundle.not-whole-missing', { name }))
  let value: unknown
  try {
    value = JSON.parse(strFromU8(content))
  } catch {
    throw new RangeError(words('bundle.damaged', { name }))
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new RangeError(words('bundle.damaged', { name }))
  return value as Record<string, unknown>
}

/** The ids that a song not yet checked names. */
function assetsOf({ assets }: Record<string, unknown>): { id: string }[] {
  if (!Array.isArray(assets)) return []
  return assets.filter((a: unknown): a is { id: string } => typeof (a as { id?: unknown })?.id === 'string')
}
