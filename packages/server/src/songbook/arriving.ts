import { constants } from 'node:fs'
import { mkdir, open, readdir, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { diskFull } from '../http/disk'

/** Bytes that are written at a time: parts come in small ones. */
const TOGETHER = 512 * 1024

/**
 * Files on their way in, on the disk of this server: they are large, and gone once they are decoded. Another server of the same
 * installation has none of them: whoever is led there begins anew.
 */
export class ArrivingFiles {
  /** @param folder made when first needed */
  constructor(private readonly folder: string) {}

  file(id: string): string {
    return join(this.folder, id)
  }

  /** Bytes that have arrived. */
  async size(id: string): Promise<number> {
    return stat(this.file(id)).then(
      ({ size }) => size,
      () => 0,
    )
  }

  /**
   * Writes a piece to its place as it comes; the same piece again changes nothing.
   * @param at where the file ends so far
   * @param size bytes that it has: one that has more is not kept
   * @returns how many bytes came; `size` and one more where there were more than that
   * @throws Problem 507 where the disk is full
   */
  async write(id: string, at: number, size: number, data: Readable): Promise<number> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    const file = await open(this.file(id), constants.O_RDWR | constants.O_CREAT, 0o600)
    let [came, written] = [0, 0]
    let waiting: Uint8Array[] = []
    const write = async () => {
      if (!waiting.length) return
      const { bytesWritten } = await file.writev(waiting, at + written)
      waiting = []
      if (bytesWritten !== came - written) throw diskFull()
      written = came
    }
    try {
      // where it ends early the connection stays: whoever sends is told why
      const parts: AsyncIterable<Uint8Array> = data.iterator({ destroyOnReturn: false })
      for await (const part of parts) {
        if (came + part.length > size) {
          // what was written of it has not arrived
          await file.truncate(at)
          return size + 1
        }
        waiting.push(part)
        came += part.length
        if (came - written >= TOGETHER) await write()
      }
      await write()
      return came
    } catch (error) {
      throw (error as NodeJS.ErrnoException).code === 'ENOSPC' ? diskFull() : error
    } finally {
      // what is not wanted any more goes by unread
      data.resume()
      await file.close()
    }
  }

  async remove(id: string): Promise<void> {
    await rm(this.file(id), { force: true })
  }

  /** Lets go of files that nothing was written to for so long. */
  async sweep(olderThan: Date): Promise<void> {
    for (const name of await readdir(this.folder).catch(() => [])) {
      const { mtimeMs } = await stat(this.file(name)).catch(() => ({ mtimeMs: Infinity }))
      if (mtimeMs < olderThan.getTime()) await this.remove(name)
    }
  }
}
