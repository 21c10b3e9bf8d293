import { words } from '@rudlo/words'
import { withRoomAfter } from '@rudlo/core/flac'
import { FLACDecoder } from '@wasm-audio-decoders/flac'

/** The decoder maps 16 bit samples to ±1 by this; undone exactly. */
const SCALE = 32_767

/**
 * Decodes a FLAC file of 16 bit to its samples.
 * @throws RangeError with one sentence where the file is damaged or of another kind
 */
export async function decodeFlac(bytes: Uint8Array, frames: number): Promise<Int16Array[]> {
  const decoder = new FLACDecoder()
  await decoder.ready
  try {
    const { channelData, samplesDecoded, errors, bitDepth } = await decoder.decodeFile(withRoomAfter(bytes))
    if (errors.length || samplesDecoded !== frames || bitDepth !== 16)
      throw new RangeError(words('upload.audio-damaged'))
    return channelData.map((channel) => {
      const samples = new Int16Array(channel.length)
      // the nearest whole number: what is stored is cut off towards 0
      for (let n = 0; n < channel.length; n++) {
        const value = channel[n]! * SCALE
        samples[n] = value < 0 ? value - 0.5 : value + 0.5
      }
      return samples
    })
  } finally {
    decoder.free()
  }
}
