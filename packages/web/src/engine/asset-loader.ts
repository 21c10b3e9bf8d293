import type { AssetAudio } from '@rudlo/core/engine'
import { unpackOverview, type Overview } from '@rudlo/core/exchange'
import type { Scale } from '@rudlo/core/flac'
import type { AssetInfo } from '@rudlo/core/song'
import { transfer } from 'comlink'
import { bytesOf, server } from '../api/client'
import { keepFiles } from '../api/kept-answers'
import { comingAudio, type ComingAudio } from './coming-audio'
import type { DecodeApi } from './decode.worker'
import { Decoders, type Decoder } from './decoders'
import { headBytes } from './head-bytes'
import { beginNatively, decodeNatively, nativeScale } from './native-flac'
import { WorkerHost } from './worker-host'

/** A recording that was asked for. */
interface Loading {
  readonly coming: ComingAudio
  /**
   * Loads its first seconds, once, unless all of it is there. Resolves also where they could not be had by themselves.
   * @param most bytes that are fetched for it
   */
  begun(most: number): Promise<void>
  /** Begins to load all of it, once. */
  whole(): Promise<void>
}

const loading = new Map<string, Loading>()
const overviews = new Map<string, Promise<Overview>>()
/** Files that were fetched and wait to be decoded. */
const files = new Map<string, Promise<Uint8Array>>()
/** Beginnings of files that were fetched and wait to be decoded. */
const heads = new Map<string, Promise<Uint8Array>>()

/** Decoders at work at a time. */
const WORKERS = 2
/** A page that never rests is not waited for longer, in ms. */
const RESTLESS = 1500

function decoder(): Decoder {
  const host = new WorkerHost<DecodeApi>(
    () => new Worker(new URL('./decode.worker.ts', import.meta.url), { type: 'module' }),
  )
  /** Where the browser decodes itself, there is nothing to load. */
  const warmed = async () => (await nativeScale()) ?? host.ask((remote) => remote.warm())
  return {
    warm: () => void warmed().catch(() => null),
    head: ({ bytes, into }) => host.ask((remote) => remote.head(bytes, into)),
    decode: ({ bytes, into }) =>
      // all of it again where the worker is lost: what it was given is gone with it
      host.ask(async (remote) => {
        const samples = await natively(bytes, into[0]!.length)
        if (!samples) return remote.decode(bytes, into)
        const { channels, scale } = samples
        // they are large, and wanted there alone: given away, not copied
        const memory = channels.map((channel) => channel.buffer)
        return remote.whole(transfer(channels, memory), scale, into)
      }),
  }
}

/** By the browser's own decoder; null where it cannot be had to the last bit, or the file is damaged. */
async function natively(
  bytes: Uint8Array,
  frames: number,
): Promise<{ channels: Float32Array<ArrayBuffer>[]; scale: Scale } | null> {
  const scale = await nativeScale()
  if (!scale) return null
  const channels = await decodeNatively(bytes).catch(() => [])
  return channels[0]?.length === frames ? { channels, scale } : null
}

const decoders = new Decoders(
  WORKERS,
  decoder,
  (then) => void requestIdleCallback(then, { timeout: RESTLESS }),
)

/** Starts the decoders before there is anything to decode: they take a moment to come up. */
export const warmDecoders = (): void => decoders.warm()

const assetAt = ({ id }: AssetInfo) => ({ param: { asset: id } })

const fetched = (asset: AssetInfo): Promise<Uint8Array> =>
  once(files, asset.id, () => bytesOf(server.assets[':asset'].$get(assetAt(asset))))

/** The beginning of a file. */
async function headOf(asset: AssetInfo, most: number): Promise<Uint8Array> {
  const init = { headers: { range: `bytes=0-${most - 1}` } }
  const bytes = await (files.get(asset.id) ??
    once(heads, asset.id, () => bytesOf(server.assets[':asset'].$get(assetAt(asset), { init }))))
  // where the server is away it is all of the file, as this browser has kept it
  return bytes.subarray(0, most)
}

/** Has a song's recordings and their pictures kept for when the server is away, once the page has nothing better to do. */
function keepAtRest(assets: readonly AssetInfo[]): void {
  const files = assets.flatMap(({ id }) => [`/api/assets/${id}`, `/api/assets/${id}/overview`])
  requestIdleCallback(() => void keepFiles(files), { timeout: RESTLESS })
}

async function begin(asset: AssetInfo, most: number, { into, arrive }: ComingAudio): Promise<void> {
  const bytes = await headOf(asset, most)
  heads.delete(asset.id)
  const isWhole = bytes.length < most
  arrive((await beginNatively(bytes, into, isWhole)) || (await decoders.head({ bytes, into })))
}

async function loadWhole(asset: AssetInfo, { into, arrive }: ComingAudio): Promise<void> {
  const bytes = await fetched(asset)
  files.delete(asset.id)
  await decoders.decode({ bytes, into })
  arrive(asset.frames)
}

/** A recording on its way; asked for again where it failed. */
function load(asset: AssetInfo): Loading {
  const known = loading.get(asset.id)
  if (known) return known
  const coming = comingAudio(asset)
  let begun: Promise<void> | null = null
  let whole: Promise<void> | null = null
  const made: Loading = {
    coming,
    begun: (most) =>
      (begun ??= coming.isWhole() ? Promise.resolve() : begin(asset, most, coming).catch(() => undefined)),
    whole: () => {
      whole ??= loadWhole(asset, coming)
      whole.catch(() => loading.delete(asset.id))
      return whole
    },
  }
  loading.set(asset.id, made)
  return made
}

/**
 * Fetches the beginning of what is not there yet of a song's audio, and decodes it where the browser does that beside the page: one
 * that is being built needs the machine.
 */
export async function fetchAudio(assets: readonly AssetInfo[]): Promise<void> {
  const most = headBytes(assets)
  const coming = assets.filter((asset) => !loading.has(asset.id))
  const beginAll = async () => {
    if (await nativeScale()) for (const asset of coming) void load(asset).begun(most)
  }
  await Promise.all([...coming.map((asset) => headOf(asset, most)), beginAll()])
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

/** Audio that fills while it is heard. */
export interface FillingAudio {
  /** In the order that was asked for. */
  readonly audio: readonly (readonly [string, AssetAudio])[]
  /** Loads the first seconds of every recording: resolves when they are there. */
  begun(): Promise<void>
  /** Loads all of it, the first ones first. @throws ApiError, Unreachable, or Error where a file is damaged */
  whole(onProgress: (share: number) => void): Promise<void>
}

/**
 * The audio of a song, to be loaded: its first seconds, or all of it. What is there already (from another hand-in of the same
 * song) is shared.
 * @param assets in the order in which they are heard
 */
export function beginAudio(assets: readonly AssetInfo[]): FillingAudio {
  const all = assets.map((asset) => ({ id: asset.id, ...load(asset) }))
  return {
    audio: all.map(({ id, coming }) => [id, coming.audio] as const),
    begun: async () => {
      const most = headBytes(assets)
      await Promise.all(all.map((a) => a.begun(most)))
    },
    whole: async (onProgress) => {
      let done = 0
      onProgress(0)
      await Promise.all(
        all.map(async (a) => {
          await a.whole()
          onProgress(++done / all.length)
        }),
      )
      keepAtRest(assets)
    },
  }
}

/** Fetches and decodes all audio of a song. `onProgress` is told the share done, 0…1. */
export async function loadAudio(
  assets: readonly AssetInfo[],
  onProgress: (share: number) => void,
): Promise<(readonly [string, AssetAudio])[]> {
  const { audio, whole } = beginAudio(assets)
  await whole(onProgress)
  return [...audio]
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
  loading.clear()
  files.clear()
  heads.clear()
  overviews.clear()
}
