import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import type { SongVersion } from '@rudlo/core/song'
import type { DecodeTask } from './decode-worker'
import type { WorkerPool } from './worker-pool'

/** Recordings that are kept decoded, in bytes: some songs of many stems. */
const MOST_BYTES = 400 * 1024 * 1024

/**
 * Recordings as the engine reads them: decoded once, in memory that all threads share. Those that were used last are kept.
 */
export class Recordings {
  readonly #kept = new Map<string, { readonly bytes: number; readonly audio: Promise<AssetAudio | null> }>()

  /**
   * @param fileOf the FLAC file of an asset; null where there is none
   * @param decoders worker threads of decode-worker
   */
  constructor(
    private readonly fileOf: (id: string) => Promise<Uint8Array | null>,
    private readonly decoders: Pick<WorkerPool<DecodeTask, Int16Array[]>, 'run'>,
    private readonly mostBytes = MOST_BYTES,
  ) {}

  /** The recordings of a song; those that are missing are left out. @throws Error where one is damaged */
  async of({ assets }: Pick<SongVersion, 'assets'>): Promise<AudioStore> {
    const found = await Promise.all(
      assets.map(async ({ id, frames, channels }) => [id, await this.#find(id, frames, channels)] as const),
    )
    return new Map(found.flatMap(([id, audio]) => (audio ? [[id, audio] as const] : [])))
  }

  #find(id: string, frames: number, channels: number): Promise<AssetAudio | null> {
    const known = this.#kept.get(id)
    const entry = known ?? { bytes: frames * channels * 2, audio: this.#decode(id, frames) }
    // the last in the order is what was used last
    this.#kept.delete(id)
    this.#kept.set(id, entry)
    if (!known) {
      entry.audio.catch(() => this.#kept.delete(id))
      this.#forget()
    }
    return entry.audio
  }

  async #decode(id: string, frames: number): Promise<AssetAudio | null> {
    const bytes = await this.fileOf(id)
    return bytes && { channels: await this.decoders.run({ bytes, frames }), frames }
  }

  /** Lets go of what was not used for longest, as long as there is too much. */
  #forget(): void {
    let sum = [...this.#kept.values()].reduce((total, { bytes }) => total + bytes, 0)
    for (const [id, { bytes }] of this.#kept) {
      if (sum <= this.mostBytes || this.#kept.size === 1) return
      this.#kept.delete(id)
      sum -= bytes
    }
  }
}
