/** Worker thread that decodes FLAC into memory that all threads share. */
import { parentPort } from 'node:worker_threads'
import { decodeFlac } from '../songbook/flac-decoder'

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

parentPort!.on('message', ({ bytes, frames }: DecodeTask) => {
  decodeFlac(bytes, frames).then(
    (channels) => parentPort!.postMessage({ result: channels.map(shared) }),
    (error: Error) => parentPort!.postMessage({ error: error.message }),
  )
})
