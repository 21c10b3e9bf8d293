import { post, postBytes, get, remove, Unreachable } from '../server/api'

/** An audio file that has come in. */
export interface Arrived {
  readonly asset: string
  readonly channels: 1 | 2
  readonly frames: number
  /** Whether the same sound was here already. */
  readonly known: boolean
}

const AGAIN_MS = 2000

/**
 * Sends a file piece by piece and has it decoded. After a lost connection it goes on where it was.
 * @param onProgress told the share done, 0…1; returns false to give up
 * @returns null where it was given up
 * @throws ApiError with the server's sentence
 */
export async function upload(file: File, onProgress: (share: number) => boolean): Promise<Arrived | null> {
  const { id, chunk } = await post<{ id: string; chunk: number }>('/api/uploads', {
    name: file.name,
    bytes: file.size,
  })
  const whole = Math.ceil(file.size / chunk)
  let number = 0
  const giveUp = async () => {
    await remove(`/api/uploads/${id}`).catch(() => null)
    return null
  }
  while (number < whole) {
    if (!onProgress((number / whole) * 0.8)) return giveUp()
    try {
      const part = await file.slice(number * chunk, (number + 1) * chunk).arrayBuffer()
      await postBytes(`/api/uploads/${id}/chunks/${number}`, part)
      number++
    } catch (error) {
      if (!(error instanceof Unreachable)) throw error
      await new Promise((done) => setTimeout(done, AGAIN_MS))
      number = await get<{ chunks: number }>(`/api/uploads/${id}`).then(
        (a) => a.chunks,
        () => number,
      )
    }
  }
  if (!onProgress(0.85)) return giveUp()
  return post<Arrived>(`/api/uploads/${id}/decode`)
}
