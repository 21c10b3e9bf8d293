import { server, told } from '../../api/client'
import { Unreachable } from '../../api/errors'

import type { Decoded } from '@rudlo/contract/songbook'

const AGAIN_MS = 2000

/**
 * Sends a file piece by piece and has it decoded.
 * @param onProgress told the share done, 0…1; returns false to give up
 * @returns null where it was given up
 * @throws ApiError with the server's sentence
 */
export async function upload(file: File, onProgress: (share: number) => boolean): Promise<Decoded | null> {
  const id = await arrive(file, onProgress)
  return id === null ? null : told(server.uploads[':upload'].decode.$post({ param: { upload: id } }))
}

/**
 * Sends a file piece by piece. After a lost connection it goes on where it was.
 * @param onProgress told the share done, 0…1; returns false to give up
 * @returns its id; null where it was given up
 * @throws ApiError with the server's sentence
 */
export async function arrive(file: File, onProgress: (share: number) => boolean): Promise<string | null> {
  const { id, chunk } = await told(
    server.uploads.$post({
      json: {
        name: file.name,
        bytes: file.size,
      },
    }),
  )
  const whole = Math.ceil(file.size / chunk)
  let number = 0
  const giveUp = async () => {
    await told(server.uploads[':upload'].$delete({ param: { upload: id } })).catch(() => null)
    return null
  }
  while (number < whole) {
    if (!onProgress((number / whole) * 0.8)) return giveUp()
    try {
      const part = await file.slice(number * chunk, (number + 1) * chunk).arrayBuffer()
      const at = { upload: id, number: String(number) }
      await server.uploads[':upload'].chunks[':number'].$post({ param: at }, { init: { body: part } })
      number++
    } catch (error) {
      if (!(error instanceof Unreachable)) throw error
      await new Promise((done) => setTimeout(done, AGAIN_MS))
      number = await told(server.uploads[':upload'].$get({ param: { upload: id } })).then(
        (a) => a.chunks,
        () => number,
      )
    }
  }
  return onProgress(0.85) ? id : giveUp()
}
