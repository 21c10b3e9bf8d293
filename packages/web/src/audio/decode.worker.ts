/** Web worker that decodes FLAC into shared memory, two bytes a sample. */
import { withRoomAfter } from '@rudlo/core/flac'
import { FLACDecoder } from '@wasm-audio-decoders/flac'

export interface DecodeTask {
  readonly id: string
  readonly bytes: Uint8Array
  readonly frames: number
}

export type DecodeAnswer =
  { readonly id: string; readonly channels: Int16Array[] } | { readonly id: string; readonly error: string }

/** The decoder maps 16 bit samples to ±1 by this; undone exactly. */
const SCALE = 32_767

const decoder = new FLACDecoder()
/** One decoder, one file at a time: the next begins when the one before is done. */
let turn: Promise<unknown> = decoder.ready

async function decode({ id, bytes, frames }: DecodeTask): Promise<DecodeAnswer> {
  const { channelData, samplesDecoded, errors } = await decoder.decodeFile(withRoomAfter(bytes))
  await decoder.reset()
  if (errors.length || samplesDecoded !== frames) return { id, error: 'This audio arrived damaged.' }
  const channels = channelData.map((channel) => {
    const samples = new Int16Array(new SharedArrayBuffer(channel.length * 2))
    for (let n = 0; n < channel.length; n++) samples[n] = Math.round(channel[n]! * SCALE)
    return samples
  })
  return { id, channels }
}

self.onmessage = ({ data }: MessageEvent<DecodeTask>) => {
  turn = turn
    .then(() => decode(data))
    .then(
      (answer) => self.postMessage(answer),
      (error: Error) => self.postMessage({ id: data.id, error: error.message } satisfies DecodeAnswer),
    )
}
