import { createHash } from 'node:crypto'
import { overviewOf, packOverview } from '@rudlo/core/exchange'
import { Between, type DataSource } from 'typeorm'
import { execute } from '../database/execute'
import type { WorkerPool } from '../jobs/worker-pool'
import { Asset, AssetChunk } from './asset.entity'

/** Bytes of a chunk: 1 MiB. */
export const CHUNK = 1024 * 1024

/** Name of audio: SHA-256 of the channel count and the samples, little-endian, channel after channel. */
export function assetId(channels: readonly Int16Array[]): string {
  const hash = createHash('sha256').update(Uint8Array.of(channels.length))
  for (const c of channels) hash.update(new Uint8Array(c.buffer, c.byteOffset, c.byteLength))
  return hash.digest('hex')
}

/** Audio in the database, as FLAC in chunks. */
export class Assets {
  constructor(
    private readonly database: DataSource,
    private readonly encoders: WorkerPool<Int16Array[], Uint8Array>,
  ) {}

  /** Keeps audio (16 bit, 44.1 kHz) once, whoever else has it. @returns its id */
  async keep(channels: Int16Array[]): Promise<string> {
    const id = assetId(channels)
    if (await this.find(id)) return id
    const flac = Buffer.from(await this.encoders.run(channels))
    await this.database.transaction(async (manager) => {
      await manager.insert(Asset, {
        id,
        channels: channels.length,
        frames: channels[0]!.length,
        bytes: flac.length,
        overview: Buffer.from(packOverview(overviewOf(channels))),
      })
      for (let at = 0, number = 0; at < flac.length; at += CHUNK, number++) {
        await execute(manager, 'INSERT INTO asset_chunks (asset_id, number, data) VALUES (?, ?, ?)', [
          id,
          number,
          flac.subarray(at, at + CHUNK),
        ])
      }
    })
    return id
  }

  find(id: string): Promise<Asset | null> {
    return this.database.getRepository(Asset).findOneBy({ id })
  }

  /** The whole FLAC file of an asset; null where there is none. */
  async file(id: string): Promise<Buffer | null> {
    const found = await this.find(id)
    return found && this.bytes(id, 0, found.bytes - 1)
  }

  /** Bytes `from` to `to` (both included) of an asset's FLAC file; only the chunks they lie in are read. */
  async bytes(id: string, from: number, to: number): Promise<Buffer> {
    const first = Math.floor(from / CHUNK)
    const chunks = await this.database.getRepository(AssetChunk).find({
      where: { assetId: id, number: Between(first, Math.floor(to / CHUNK)) },
      order: { number: 'ASC' },
    })
    return Buffer.concat(chunks.map((c) => c.data)).subarray(from - first * CHUNK, to + 1 - first * CHUNK)
  }
}
