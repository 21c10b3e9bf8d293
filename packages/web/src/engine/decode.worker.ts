/** Web worker that makes whole numbers, two bytes a sample in shared memory, of FLAC or of what the browser decoded. */
import { withRoomAfter } from '@rudlo/core/flac'
import { expose } from 'comlink'
import { toWhole, type Scale } from './native-flac'

/** The decoder in WebAssembly maps 16 bit samples to ±1 by this; undone exactly. */
const OWN: Scale = { above: 32_767, below: 32_767 }

/** Loaded where it is needed: browsers that have a decoder of their own do without. */
const ownDecoder = async () => {
  const { FLACDecoder } = await import('@wasm-audio-decoders/flac')
  const decoder = new FLACDecoder()
  await decoder.ready
  return decoder
}
let decoder: ReturnType<typeof ownDecoder> | undefined
/** One decoder, one file at a time: the next begins when the one before is done. */
let turn: Promise<unknown> = Promise.resolve()

const whole = (channels: readonly Float32Array[], scale: Scale): Int16Array[] =>
  channels.map((channel) => {
    const samples = new Int16Array(new SharedArrayBuffer(channel.length * Int16Array.BYTES_PER_ELEMENT))
    toWhole(channel, scale, samples)
    return samples
  })

async function decodeNext(bytes: Uint8Array, frames: number): Promise<Int16Array[]> {
  const own = await (decoder ??= ownDecoder())
  const { channelData, samplesDecoded, errors } = await own.decodeFile(withRoomAfter(bytes))
  await own.reset()
  if (errors.length || samplesDecoded !== frames) throw new RangeError('damaged')
  return whole(channelData, OWN)
}

const api = {
  /** @param channels samples of ±1 @param scale how they were mapped */
  whole,
  /** @param frames samples that each channel must have @throws Error with one sentence where the audio is damaged */
  decode(bytes: Uint8Array, frames: number): Promise<Int16Array[]> {
    const mine = turn.then(() => decodeNext(bytes, frames))
    turn = mine.catch(() => undefined)
    return mine
  },
}
export type DecodeApi = typeof api
expose(api)
