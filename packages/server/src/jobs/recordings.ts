import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import type { SongVersion } from '@rudlo/core/song'
import { LRUCache } from 'lru-cache'
import PQueue from 'p-queue'
import type { DecodeTask } from './decode-worker'
import type { WorkerPool } from './worker-pool'

/** Recordings that are kept decoded, in bytes: some songs of many stems. */
const MOST_BYTES = 400 * 1024 * 1024
/** Files that are read at a time, as many as are decoded: each is some megabytes, and whoever saves waits behind them. */
const AT_ONCE = 2

interface Kept {
  readonly bytes: number
  readonly audio: Promise<AssetAudio | null>
}

/**
 * Recordings as the engine reads them: decoded once, in memory that all threads share. Those that were used last are kept.
 */
export class Recordings {
  readonly #kept: LRUCache<string, Kept>
  readonly #turns = new PQueue({ concurrency: AT_ONCE })

  /**
   * @param fileOf the FLAC file of an asset; null where there is none
   * @param decoders worker threads of decode-worker
   */
  constructor(
    private readonly fileOf: (id: string) => Promise<Uint8Array | null>,
    private readonly decoders: Pick<WorkerPool<DecodeTask, Int16Array[]>, 'run'>,
    mostBytes = MOST_BYTES,
  ) {
    this.#kept = new LRUCache({ maxSize: mostBytes, sizeCalculation: ({ bytes }) => Math.max(1, bytes) })
  }

  /** The recordings of a song; those that are missing are left out. @throws Error where one is damaged */
  async of({ assets }: Pick<SongVersion, 'assets'>): Promise<AudioStore> {
    const found = await Promise.all(
      assets.map(async ({ id, frames, channels }) => [id, await this.#find(id, frames, channels)] as const),
    )
    return new Map(found.flatMap(([id, audio]) => (audio ? [[id, audio] as const] : [])))
  }

  #find(id: string, frames: number, channels: number): Promise<AssetAudio | null> {
    const known = this.#kept.get(id)
    if (known) return known.audio
    const audio = this.#turns.add(() => this.#decode(id, frames))
    this.#kept.set(id, { bytes: frames * channels * 2, audio })
    audio.catch(() => this.#kept.delete(id))
    return audio
  }

  async #decode(id: string, frames: number): Promise<AssetAudio | null> {
    const bytes = await this.fileOf(id)
    return bytes && { channels: await this.decoders.run({ bytes, frames }), frames }
  }
}
