/** What a part sounds like before it is balanced: at full scale, in a file of this machine, since all parts of a piece are weighed together. */
import { holdBelow } from '@rudlo/core/players'
import { readFile, writeFile } from 'node:fs/promises'

/** A part that was played. */
export interface Take {
  readonly file: string
  readonly channels: 1 | 2
  /** Samples of one channel. */
  readonly frames: number
  /** LUFS by itself; null for silence. */
  readonly loudness: number | null
}

/** Writes channels one after the other, 16 bit each. */
export async function writeTake(file: string, channels: readonly Int16Array[]): Promise<void> {
  await writeFile(file, Buffer.concat(channels.map((c) => Buffer.from(c.buffer, c.byteOffset, c.byteLength))))
}

/** Reads what {@link writeTake} wrote. */
export async function readTake({ file, channels, frames }: Take): Promise<Int16Array[]> {
  const bytes = await readFile(file)
  const all = new Int16Array(bytes.buffer, bytes.byteOffset, channels * frames)
  return Array.from({ length: channels }, (_, c) => all.subarray(c * frames, (c + 1) * frames))
}

/** Samples as amplitudes. */
export function inFloats(samples: Int16Array): Float32Array {
  const out = new Float32Array(samples.length)
  for (let n = 0; n < out.length; n++) out[n] = samples[n]! / 32_768
  return out
}

function inSamples(sound: Float32Array): Int16Array {
  const out = new Int16Array(sound.length)
  for (let n = 0; n < out.length; n++) out[n] = Math.round(sound[n]! * 32_767)
  return out
}

/** A take with its peaks held down to an amplitude. */
export async function heldTake(take: Take, ceiling: number): Promise<Int16Array[]> {
  const channels = await readTake(take)
  if (ceiling >= 1) return channels
  const floats = channels.map(inFloats)
  holdBelow(floats, ceiling)
  return floats.map(inSamples)
}
