/** A recording through the browser's own decoder, as a page does it; run in Chromium. */
import { toWholeSamples } from '@rudlo/core/flac'
import { beginNatively, decodeNatively, nativeScale } from '../../packages/web/src/engine/native-flac'

/** @returns the whole numbers of each channel; null where the browser's decoder is not taken */
export async function recording(flac: readonly number[]): Promise<number[][] | null> {
  const scale = await nativeScale()
  if (!scale) return null
  return (await decodeNatively(Uint8Array.from(flac))).map((samples) => {
    const whole = new Int16Array(samples.length)
    toWholeSamples(samples, scale, whole)
    return Array.from(whole)
  })
}

/**
 * What is had of a recording whose file is cut off.
 * @param cuts bytes of the file that are there; all of them for one that is whole
 * @param frames of the recording, of which there are two channels
 * @returns for each: how many samples are said to be there, and the whole numbers of each channel up to the last that is
 */
export function beginnings(
  flac: readonly number[],
  cuts: readonly number[],
  frames: number,
): Promise<{ count: number; channels: number[][] }[]> {
  return Promise.all(
    cuts.map(async (cut) => {
      const into = [new Int16Array(frames), new Int16Array(frames)]
      const count = await beginNatively(Uint8Array.from(flac.slice(0, cut)), into, cut === flac.length)
      return { count, channels: into.map((channel) => Array.from(channel.subarray(0, count))) }
    }),
  )
}
