import type { AssetAudio } from '@rudlo/core/engine'
import { unpackOverview, type Overview } from '@rudlo/core/exchange'
import type { AssetInfo } from '@rudlo/core/song'
import { bytesOf, server } from '../api/client'
import type { DecodeApi } from './decode.worker'
import { Decoders, type Decoder } from './decoders'
import { decodeNatively, nativeScale, type Scale } from './native-flac'
import { WorkerHost } from './worker-host'

const audio = new Map<string, Promise<AssetAudio>>()
const overviews = new Map<string, Promise<Overview>>()
/** Files that were fetched and wait to be decoded. */
const files = new Map<string, Promise<Uint8Array>>()

/** Decoders at work at a time. */
const WORKERS = 2
/** A page that never rests is not waited for longer, in ms. */
const RESTLESS = 1500

function decoder(): Decoder {
  const host = new WorkerHost<DecodeApi>(
    () => new Worker(new URL('./decode.worker.ts', import.meta.url), { type: 'module' }),
  )
  return {
    warm: () => host.warm(),
    decode: async ({ bytes, frames }) => {
      const samples = await natively(bytes, frames)
      return host.ask((remote) => (samples ? remote.whole(...samples) : remote.decode(bytes, frames)))
    },
  }
}

/** By the browser's own decoder; null where it cannot be had to the last bit, or the file is damaged. */
async function natively(bytes: Uint8Array, frames: number): Promise<[Float32Array[], Scale] | null> {
  const scale = await nativeScale()
  if (!scale) return null
  const channels = await decodeNatively(bytes).catch(() => [])
  return channels[0]?.length === frames ? [channels, scale] : null
}

const decoders = new Decoders(
  WORKERS,
  decoder,
  (then) => void requestIdleCallback(then, { timeout: RESTLESS }),
)

/** Starts the decoders before there is anything to decode: they take a moment to come up. */
export const warmDecoders = (): void => decoders.warm()

const fetched = (asset: AssetInfo): Promise<Uint8Array> =>
  once(files, asset.id, () => bytesOf(server.assets[':asset'].$get({ param: { asset: asset.id } })))

async function load(asset: AssetInfo): Promise<AssetAudio> {
  const bytes = await fetched(asset)
  files.delete(asset.id)
  return decoders.decode({ bytes, frames: asset.frames })
}

/** Fetches what is not there yet of a song's audio. It is decoded when it is loaded: a page that is being built needs the machine. */
export async function fetchAudio(assets: readonly AssetInfo[]): Promise<void> {
  await Promise.all(assets.filter((asset) => !audio.has(asset.id)).map(fetched))
}

/** Remembers a promise by id, and forgets it again where it fails, so that it can be tried again. */
function once<T>(kept: Map<string, Promise<T>>, id: string, make: () => Promise<T>): Promise<T> {
  const known = kept.get(id)
  if (known) return known
  const made = make()
  kept.set(id, made)
  made.catch(() => kept.delete(id))
  return made
}

/**
 * Fetches and decodes all audio of a song; what is there already (from another hand-in of the same song) is
 * shared. `onProgress` is told the share done, 0…1.
 */
export async function loadAudio(
  assets: readonly AssetInfo[],
  onProgress: (share: number) => void,
): Promise<(readonly [string, AssetAudio])[]> {
  let done = 0
  onProgress(0)
  return Promise.all(
    assets.map(async (asset) => {
      const sound = await once(audio, asset.id, () => load(asset))
      onProgress(++done / assets.length)
      return [asset.id, sound] as const
    }),
  )
}

/** The waveform overview of an asset. */
export function loadOverview(asset: AssetInfo): Promise<Overview> {
  return once(overviews, asset.id, async () =>
    unpackOverview(
      await bytesOf(server.assets[':asset'].overview.$get({ param: { asset: asset.id } })),
      asset.frames,
    ),
  )
}

/** Forgets everything, at sign-out: the next person may not be allowed to hear it. */
export function forgetAudio(): void {
  audio.clear()
  files.clear()
  overviews.clear()
}
