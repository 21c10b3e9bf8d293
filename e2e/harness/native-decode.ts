/** A recording through the browser's own decoder, as a page does it; run in Chromium. */
import { decodeNatively, nativeScale, toWhole } from '../../packages/web/src/engine/native-flac'

/** @returns the whole numbers of each channel; null where the browser's decoder is not taken */
export async function recording(flac: readonly number[]): Promise<number[][] | null> {
  const scale = await nativeScale()
  if (!scale) return null
  return (await decodeNatively(Uint8Array.from(flac))).map((samples) => {
    const whole = new Int16Array(samples.length)
    toWhole(samples, scale, whole)
    return Array.from(whole)
  })
}
