/** Web worker that decodes FLAC into shared memory, two bytes a sample. */
import { withRoomAfter } from '@rudlo/core/flac'
import { FLACDecoder } from '@wasm-audio-decoders/flac'
import { expose } from 'comlink'

/** The decoder maps 16 bit samples to ±1 by this; undone exactly. */
const SCALE = 32_767

const decoder = new FLACDecoder()
/** One decoder, one file at a time: the next begins when the one before is done. */
let turn: Promise<unknown> = decoder.ready

/** @param frames samples that each channel must have @throws Error with one sentence where the audio is damaged */
async function decodeNext(bytes: Uint8Array, frames: number): Promise<Int16Array[]> {
  const { channelData, samplesDecoded, errors } = await decoder.decodeFile(withRoomAfter(bytes))
  await decoder.reset()
  if (errors.length || samplesDecoded !== frames) throw new Error('This audio arrived damaged.')
  return channelData.map((channel) => {
    const samples = new Int16Array(new SharedArrayBuffer(channel.length * 2))
    for (let n = 0; n < channel.length; n++) samples[n] = Math.round(channel[n]! * SCALE)
    return samples
  })
}

const api = {
  decode(bytes: Uint8Array, frames: number): Promise<Int16Array[]> {
    const mine = turn.then(() => decodeNext(bytes, frames))
    turn = mine.catch(() => undefined)
    return mine
  },
}
export type DecodeApi = typeof api
expose(api)
