import { PIECE } from '../src/songbook/uploads'
import type { Client, Refused } from './client'

/** Sends a file piece by piece, as a browser does. @returns its id, or why it was not begun */
export async function sendFile(teacher: Client, bytes: Uint8Array, name: string) {
  const begun = await teacher.post<{ id: string } & Refused>('/api/uploads', { name, bytes: bytes.length })
  if (begun.status !== 200) return begun
  for (let n = 0; n * PIECE < bytes.length; n++) {
    const part = bytes.subarray(n * PIECE, (n + 1) * PIECE)
    const { status } = await teacher.raw('POST', `/api/uploads/${begun.body.id}/chunks/${n}`, {}, part)
    if (status !== 204) throw new Error(`Piece ${n} of ${name} was answered with ${status}.`)
  }
  return begun
}
