/** Worker thread that decodes FLAC into memory that all threads share. */
import { decodeFlac } from '../songbook/audio/flac-decoder'
import { answering } from './answering'

/** A FLAC file of 16 bit, and the samples that each of its channels must have. */
export interface DecodeTask {
  readonly bytes: Uint8Array
  readonly frames: number
}

/** A channel in shared memory. */
function shared(samples: Int16Array): Int16Array {
  const copy = new Int16Array(new SharedArrayBuffer(samples.byteLength))
  copy.set(samples)
  return copy
}

export default answering<DecodeTask, Int16Array[]>(async ({ bytes, frames }) =>
  (await decodeFlac(bytes, frames)).map(shared),
)
