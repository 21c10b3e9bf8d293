import { createHash } from 'node:crypto'

/** Name of audio: SHA-256 of the channel count and the samples, little-endian, channel after channel. */
export function assetId(channels: readonly Int16Array[]): string {
  const hash = createHash('sha256').update(Uint8Array.of(channels.length))
  for (const c of channels) hash.update(new Uint8Array(c.buffer, c.byteOffset, c.byteLength))
  return hash.digest('hex')
}
