import { words } from '@rudlo/words'
import type { BroughtSong, Decoded } from '@rudlo/contract/songbook'
import { checkMix, checkSong } from '@rudlo/core/validate'
import { randomUUID } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { LessThan, type DataSource } from 'typeorm'
import { badInput, notFound, notNow, Problem } from '../http/problem'
import type { WorkerPool } from '../jobs/worker-pool'
import type { Person } from '../people/entities'
import type { AssetFile } from './audio/asset-bytes'
import type { Assets } from './assets'
import type { Imported, ImportTask } from './import-worker'
import type { ArrivingFiles } from './arriving'
import { Upload } from './entities'

/** Largest file, and how many a person can have on the way. */
export const LARGEST_UPLOAD = 300 * 1024 * 1024
const MOST = 64
/** Bytes of a piece: few enough that little is lost with a connection, and many enough that a song is not thousands of them. */
export const PIECE = 4 * 1024 * 1024
const DAY = 86_400_000

/** Audio files on their way in: piece after piece, so that a lost connection loses one piece at most. */
export class Uploads {
  constructor(
    private readonly database: DataSource,
    private readonly assets: Assets,
    private readonly files: ArrivingFiles,
    /** Worker threads of import-worker. */
    private readonly importers: Pick<WorkerPool<ImportTask, Imported>, 'run'>,
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
    const size = await this.files.size(id)
    // a piece that was cut off while it was written is sent again
    const chunks = size >= upload.bytes ? Math.ceil(size / PIECE) : Math.floor(size / PIECE)
    return { upload, chunks, bytes: Math.min(upload.bytes, chunks * PIECE) }
  }

  /**
   * Takes the next piece. The same piece again changes nothing.
   * @param name its number, from 0
   * @throws Problem 400 for one that is none of the file, 409 for one out of turn
   */
  async take(person: Person, id: string, name: string, data: Readable): Promise<void> {
    if (!/^\d{1,6}$/.test(name)) throw badInput(words('upload.piece-no-number'))
    const number = Number(name)
    const { upload, chunks } = await this.arrived(person, id)
    const whole = Math.ceil(upload.bytes / PIECE)
    const size = number === whole - 1 ? upload.bytes - (whole - 1) * PIECE : PIECE
    if (number >= whole) throw badInput(words('upload.piece-does-not'))
    if (number > chunks) throw notNow(words('upload.piece-before-one'), { arrived: chunks })
    if (number < chunks) return
    if ((await this.files.write(id, number * PIECE, size, data)) !== size)
      throw badInput(words('upload.piece-does-not'))
  }

  /** Lets go of files that have been on their way for a day. @returns how many there were */
  async sweep(olderThan = new Date(Date.now() - DAY)): Promise<number> {
    await this.files.sweep(olderThan)
    return (
      (await this.database.getRepository(Upload).delete({ createdAt: LessThan(olderThan) })).affected ?? 0
    )
  }

  async giveUp(person: Person, id: string): Promise<void> {
    const gone = await this.database.getRepository(Upload).delete({ id, personId: person.id })
    if (!gone.affected) throw notFound()
    await this.files.remove(id)
  }

  /** Decodes a file that has arrived and keeps its sound; few at a time, since each takes memory. */
  async decode(person: Person, id: string): Promise<Decoded> {
    const { upload, bytes } = await this.arrived(person, id)
    if (bytes < upload.bytes) throw notNow(words('upload.file-not-arrived'), { arrived: bytes })
    const { id: asset, channels, frames, known } = await this.#keep(this.files.file(id), upload.name)
    await this.#done(id)
    return { asset, channels, frames, known }
  }

  /**
   * Makes a song of a bundle that has arrived, and keeps its sound.
   * @throws Problem 400 with one sentence for what is none, is damaged or not whole
   */
  async unpack(person: Person, id: string): Promise<BroughtSong> {
    const { upload, bytes } = await this.arrived(person, id)
    if (bytes < upload.bytes) throw notNow(words('upload.file-not-arrived'), { arrived: bytes })
    const folder = await mkdtemp(join(tmpdir(), 'rudlo-bundle-'))
    try {
      const parts = await this.importers.run({ bundle: this.files.file(id), folder })
      if (!('song' in parts)) throw new Error('A bundle was not unpacked.')
      const song = checkSong(parts.song)
      if (!song.ok) throw badInput(song.problem)
      const mix = checkMix(parts.mix, song.song)
      if (!mix.ok) throw badInput(mix.problem)
      for (const asset of song.song.assets) await this.#keep(join(folder, asset.id), upload.name, asset.id)
      await this.#done(id)
      return { document: song.song, mix: mix.mix, doubtfulTitle: '' }
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  }

  /**
   * Reads a file and keeps its sound.
   * @param called what it has to be called, where that is known: its name is made of its samples
   * @throws Problem 400 with one sentence
   */
  async #keep(file: string, name: string, called?: string): Promise<AssetFile & { readonly known: boolean }> {
    const folder = await mkdtemp(join(tmpdir(), 'rudlo-import-'))
    try {
      const made = await this.importers.run({ file, name, folder })
      if (!('file' in made)) throw new Error('A recording was not read.')
      if (called !== undefined && made.id !== called) throw badInput(words('upload.audio-damaged'))
      return { ...made, known: (await this.assets.store(made)).known }
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  }

  async #done(id: string): Promise<void> {
    await this.database.getRepository(Upload).delete({ id })
    await this.files.remove(id)
  }
}
