/** FLAC as Rudlo keeps it. The encoder is WebAssembly and takes its time: for worker threads alone. */
import { createRequire } from 'node:module'

// the encoder's loader takes any host with fetch for a browser; these threads need none
Reflect.deleteProperty(globalThis, 'fetch')

const RATE = 44_100
const LEVEL = 4
const STRETCH = 65_536

interface Encoder {
  isReady(): boolean
  on(event: 'ready', listener: () => void): void
  create_libflac_encoder(
    rate: number,
    channels: number,
    bits: number,
    level: number,
    samples: number,
    verify: boolean,
    block: number,
  ): number
  init_encoder_stream(id: number, onData: (bytes: Uint8Array) => void): number
  FLAC__stream_encoder_process_interleaved(id: number, samples: Int32Array, count: number): boolean
  FLAC__stream_encoder_finish(id: number): boolean
  FLAC__stream_encoder_delete(id: number): void
}

const flac = (createRequire(import.meta.url)('libflacjs') as (kind: string) => Encoder)('release.wasm')
/** Resolves once the encoder can be used. */
export const ready = new Promise<void>((resolve) => (flac.isReady() ? resolve() : flac.on('ready', resolve)))

/** Encodes channels of 16 bit at 44.1 kHz. Not before {@link ready}. */
export function encodeFlac(channels: readonly Int16Array[]): Uint8Array {
  const frames = channels[0]!.length
  const encoder = flac.create_libflac_encoder(RATE, channels.length, 16, LEVEL, frames, false, 4096)
  const parts: Uint8Array[] = []
  flac.init_encoder_stream(encoder, (bytes) => parts.push(bytes.slice()))
  for (let start = 0; start < frames; start += STRETCH) {
    const count = Math.min(STRETCH, frames - start)
    const woven = new Int32Array(count * channels.length)
    channels.forEach((samples, c) => {
      for (let n = 0; n < count; n++) woven[n * channels.length + c] = samples[start + n]!
    })
    if (!flac.FLAC__stream_encoder_process_interleaved(encoder, woven, count))
      throw new Error('FLAC encoding failed.')
  }
  if (!flac.FLAC__stream_encoder_finish(encoder)) throw new Error('FLAC encoding failed.')
  flac.FLAC__stream_encoder_delete(encoder)
  return Buffer.concat(parts)
}
