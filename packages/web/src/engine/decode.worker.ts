/** Web worker that makes whole numbers, two bytes a sample in shared memory, of FLAC or of what the browser decoded. */
import { toWholeSamples, withRoomAfter, type Scale } from '@rudlo/core/flac'
import { expose } from 'comlink'

/** The decoder in WebAssembly maps 16 bit samples to ±1 by this; undone exactly. */
const OWN: Scale = { above: 32_767, below: 32_767 }

const ownDecoder = async () => {
  const { FLACDecoder } = await import('@wasm-audio-decoders/flac')
  const decoder = new FLACDecoder()
  await decoder.ready
  return decoder
}
let decoder: ReturnType<typeof ownDecoder> | undefined
/** One decoder, one file at a time: the next begins when the one before is done. */
let turn: Promise<unknown> = Promise.resolve()

function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turn.then(work)
  turn = mine.catch(() => undefined)
  return mine
}

function write(channels: readonly Float32Array[], scale: Scale, into: readonly Int16Array[]): void {
  channels.forEach((channel, c) => toWholeSamples(channel, scale, into[c]!))
}

const api = {
  /** Loads the decoder before there is anything to decode. */
  warm: (): void => void (decoder ??= ownDecoder()),

  /** @param channels samples of ±1 @param scale how they were mapped */
  whole: write,

  /**
   * Decodes the beginning of a file.
   * @param bytes of the file, from its start on
   * @returns how many samples of each channel are there now; 0 where it could not be read
   */
  head: (bytes: Uint8Array, into: readonly Int16Array[]): Promise<number> =>
    inTurn(async () => {
      const own = await (decoder ??= ownDecoder())
      const { channelData, samplesDecoded } = await own.decode(bytes)
      await own.reset()
      const fits = channelData.length === into.length && samplesDecoded <= into[0]!.length
      if (!fits) return 0
      write(channelData, OWN, into)
      return samplesDecoded
    }),

  /** Decodes a whole file. @throws Error where it is damaged */
  decode: (bytes: Uint8Array, into: readonly Int16Array[]): Promise<void> =>
    inTurn(async () => {
      const own = await (decoder ??= ownDecoder())
      const { channelData, samplesDecoded, errors } = await own.decodeFile(withRoomAfter(bytes))
      await own.reset()
      if (errors.length || samplesDecoded !== into[0]!.length) throw new RangeError('damaged')
      write(channelData, OWN, into)
    }),
}
export type DecodeApi = typeof api
expose(api)
