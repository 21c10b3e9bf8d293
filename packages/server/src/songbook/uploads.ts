import { words } from '@rudlo/words'
import type { Decoded } from '@rudlo/contract/songbook'
import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { LessThan, type DataSource } from 'typeorm'
import { execute } from '../database/execute'
import { badInput, notFound, notNow, Problem } from '../http/problem'
import type { WorkerPool } from '../jobs/worker-pool'
import type { Person } from '../people/entities'
import type { AssetBytes } from './asset-bytes'
import { CHUNK, type Assets } from './assets'
import type { ImportTask } from './import-worker'
import { Upload, UploadChunk } from './entities'

/** Largest file, and how many a person can have on the way. */
export const LARGEST_UPLOAD = 300 * 1024 * 1024
const MOST = 64
const DAY = 86_400_000

/** Audio files on their way in: piece after piece, so that a lost connection loses one piece at most. */
export class Uploads {
  #decoding: Promise<unknown> = Promise.resolve()

  constructor(
    private readonly database: DataSource,
    private readonly assets: Assets,
    /** Worker threads of import-worker. */
    private readonly importers: Pick<WorkerPool<ImportTask, AssetBytes>, 'run'>,
  ) {}

  /** @throws Problem 413 for a file that is too large */
  async begin(person: Person, name: string, bytes: number): Promise<string> {
    if (bytes > LARGEST_UPLOAD)
      throw new Problem(
        413,
        'too-large',
        words('upload.mb-most-mb', {
          name,
          size: Math.round(bytes / 2 ** 20),
          most: LARGEST_UPLOAD / 2 ** 20,
        }),
      )
    if (bytes < 1) throw badInput(words('upload.empty', { name }))
    const uploads = this.database.getRepository(Upload)
    if ((await uploads.countBy({ personId: person.id })) >= MOST)
      throw notNow(words('upload.files-way-already', { most: MOST }))
    const id = randomUUID()
    await uploads.insert({ id, personId: person.id, name: name.slice(0, 255), bytes, createdAt: new Date() })
    return id
  }

  /** How many bytes have arrived: where to go on after a lost connection. */
  async arrived(person: Person, id: string): Promise<{ upload: Upload; chunks: number; bytes: number }> {
    const upload = await this.database.getRepository(Upload).findOneBy({ id, personId: person.id })
    if (!upload) throw notFound()
    const chunks = await this.database.getRepository(UploadChunk).countBy({ uploadId: id })
    // pieces come in order, and all but the last are whole: their sizes need not be read
    return { upload, chunks, bytes: Math.min(upload.bytes, chunks * CHUNK) }
  }

  /**
   * Takes the next piece. The same piece again changes nothing.
   * @param name its number, from 0
   * @throws Problem 400 for one that is none of the file, 409 for one out of turn
   */
  async take(person: Person, id: string, name: string, data: Buffer): Promise<void> {
    if (!/^\d{1,6}$/.test(name)) throw badInput(words('upload.piece-no-number'))
    const number = Number(name)
    const { upload, chunks } = await this.arrived(person, id)
    const whole = Math.ceil(upload.bytes / CHUNK)
    const size = number === whole - 1 ? upload.bytes - (whole - 1) * CHUNK : CHUNK
    if (number >= whole || data.length !== size) throw badInput(words('upload.piece-does-not'))
    if (number > chunks) throw notNow(words('upload.piece-before-one'), { arrived: chunks })
    if (number < chunks) return
    // the same piece may come twice at once
    await this.database.transaction((manager) =>
      execute(manager, 'INSERT IGNORE INTO upload_chunks (upload_id, number, data) VALUES (?, ?, ?)', [
        id,
        number,
        data,
      ]),
    )
  }

  /** Lets go of files that have been on their way for a day. @returns how many there were */
  async sweep(olderThan = new Date(Date.now() - DAY)): Promise<number> {
    return (
      (await this.database.getRepository(Upload).delete({ createdAt: LessThan(olderThan) })).affected ?? 0
    )
  }

  async giveUp(person: Person, id: string): Promise<void> {
    const gone = await this.database.getRepository(Upload).delete({ id, personId: person.id })
    if (!gone.affected) throw notFound()
  }

  /** Decodes a file that has arrived and keeps its sound; one after the other, since each takes memory. */
  decode(person: Person, id: string): Promise<Decoded> {
    const mine = this.#decoding.then(() => this.#decode(person, id))
    this.#decoding = mine.catch(() => null)
    return mine
  }

  async #decode(person: Person, id: string): Promise<Decoded> {
    const { upload, bytes } = await this.arrived(person, id)
    if (bytes < upload.bytes) throw notNow(words('upload.file-not-arrived'), { arrived: bytes })
    const folder = await mkdtemp(join(tmpdir(), 'rudlo-upload-'))
    try {
      const file = join(folder, 'audio')
      await this.#write(id, file)
      const made = await this.importers.run({ file, name: upload.name })
      const { id: asset, known } = await this.assets.store(made)
      await this.database.getRepository(Upload).delete({ id })
      return { asset, channels: made.channels, frames: made.frames, known }
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  }

  async #write(id: string, file: string): Promise<void> {
    const chunks = this.database.getRepository(UploadChunk)
    await pipeline(async function* () {
      for (let number = 0; ; number++) {
        const chunk = await chunks.findOneBy({ uploadId: id, number })
        if (!chunk) return
        yield chunk.data
      }
    }, createWriteStream(file))
  }
}
