import { Between, LessThan, type DataSource } from 'typeorm'
import { execute } from '../database/execute'
import { notFound } from '../http/problem'
import type { WorkerPool } from '../jobs/worker-pool'
import type { AssetBytes, AssetFile } from './audio/asset-bytes'
import { CHUNK, flacPieces } from './audio/flac-pieces'
import { Asset, AssetChunk, SongVersionAsset } from './entities'

const DAY_MS = 86_400_000

/** Audio in the database, as FLAC in chunks. */
export class Assets {
  constructor(
    private readonly database: DataSource,
    private readonly encoders: Pick<WorkerPool<Int16Array[], AssetBytes>, 'run'>,
  ) {}

  /** Keeps samples (16 bit, 44.1 kHz) once, whoever else has them. @returns the id of the audio */
  async keep(channels: Int16Array[]): Promise<string> {
    return (await this.store(await this.encoders.run(channels))).id
  }

  /** Keeps audio once, also where two bring the same at once. */
  async store(made: AssetBytes | AssetFile): Promise<{ id: string; known: boolean }> {
    const { id, channels, frames, overview } = made
    const bytes = 'flac' in made ? made.flac.length : made.bytes
    return this.database.transaction(async (manager) => {
      const createdAt = new Date()
      // whoever comes second waits here until the first is done
      const fresh = await execute(
        manager,
        'INSERT IGNORE INTO assets (id, channels, frames, bytes, overview, created_at) VALUES (?, ?, ?, ?, ?, ?)',
        [id, channels, frames, bytes, Buffer.from(overview), createdAt],
      )
      if (!fresh) {
        // it is wanted again: it does not count as left over
        await manager.update(Asset, id, { createdAt })
        return { id, known: true }
      }
      let number = 0
      for await (const piece of flacPieces(made))
        await execute(manager, 'INSERT INTO asset_chunks (asset_id, number, data) VALUES (?, ?, ?)', [
          id,
          number++,
          piece,
        ])
      return { id, known: false }
    })
  }

  /** Lets go of audio that no song has used for a day. @returns how many there were */
  async sweep(olderThan = new Date(Date.now() - DAY_MS)): Promise<number> {
    const left: { id: string }[] = await this.database.query(
      `SELECT a.id FROM assets a LEFT JOIN song_version_assets s ON s.asset_id = a.id
        WHERE s.asset_id IS NULL AND a.created_at < ? LIMIT 200`,
      [olderThan],
    )
    let gone = 0
    for (const { id } of left)
      gone += await this.database.transaction(async (manager) => {
        await manager.findOne(Asset, {
          select: { id: true },
          where: { id },
          lock: { mode: 'pessimistic_write' },
        })
        // a song that is kept at this moment waits for the row, or has it already
        if (await manager.existsBy(SongVersionAsset, { assetId: id })) return 0
        await manager.delete(AssetChunk, { assetId: id })
        return (await manager.delete(Asset, { id, createdAt: LessThan(olderThan) })).affected ?? 0
      })
    return gone
  }

  /** An audio that is kept. @throws Problem 404 */
  async need(id: string): Promise<Asset> {
    const asset = await this.find(id)
    if (!asset) throw notFound()
    return asset
  }

  find(id: string): Promise<Asset | null> {
    return this.database.getRepository(Asset).findOneBy({ id })
  }

  /** The whole FLAC file of an asset; null where there is none. */
  async file(id: string): Promise<Buffer | null> {
    const found = await this.find(id)
    return found && this.bytes(id, 0, found.bytes - 1)
  }

  /** The FLAC file of an asset, chunk after chunk. */
  async *pieces(id: string): AsyncGenerator<Uint8Array> {
    for (let number = 0; ; number++) {
      const chunk = await this.database.getRepository(AssetChunk).findOneBy({ assetId: id, number })
      if (!chunk) return
      yield chunk.data
    }
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
