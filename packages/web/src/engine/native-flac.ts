import { KNOWN_FLAC, KNOWN_SAMPLES, type Scale } from '@rudlo/core/flac'

/** Hertz: that of every recording here, so that nothing is resampled. */
const RATE = 44_100

/** Samples of each channel that are taken over of a beginning: five seconds, since the page does it itself. */
const BEGINNING = 5 * RATE
/** Where a file says how many samples its largest block has, in two bytes (RFC 9639, 8.2). */
const LARGEST_BLOCK = 10

/**
 * What whole numbers these samples of ±1 were. As `toWholeSamples` of the core, for the little that the page does itself: it has no
 * use for the kernels otherwise, and would have to fetch them first.
 */
export function toWhole(samples: Float32Array, { above, below }: Scale, into: Int16Array): void {
  for (let n = 0; n < samples.length; n++) {
    const x = samples[n]!
    into[n] = Math.round(x * (x < 0 ? below : above))
  }
}

/** The scale that gives back the known samples, each of them; null where there is none. */
export function scaleOf(samples: Float32Array): Scale | null {
  if (samples.length !== KNOWN_SAMPLES.length) return null
  const whole = new Int16Array(KNOWN_SAMPLES.length)
  for (const above of [32_767, 32_768])
    for (const below of [32_767, 32_768]) {
      toWhole(samples, { above, below }, whole)
      if (KNOWN_SAMPLES.every((k, n) => k === whole[n])) return { above, below }
    }
  return null
}

/**
 * What the browser's own decoder makes of a file.
 * @returns samples of ±1 of each channel, in memory of their own that may be given to a worker
 * @throws Error where the browser cannot read it
 */
export async function decodeNatively(bytes: Uint8Array): Promise<Float32Array<ArrayBuffer>[]> {
  // the decoder takes the memory it is given: the caller may need it for another try
  const audio = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(Uint8Array.from(bytes).buffer)
  return Array.from({ length: audio.numberOfChannels }, (_, c) => audio.getChannelData(c))
}

let scale: Promise<Scale | null> | undefined

/**
 * How this browser's own decoder maps samples, or null where it cannot give them back bit for bit. It is less than half the work of
 * one in WebAssembly, and done beside the page; the sound has to be the same to the last bit all the same.
 */
export function nativeScale(): Promise<Scale | null> {
  scale ??= decodeNatively(Uint8Array.from(atob(KNOWN_FLAC), (c) => c.charCodeAt(0))).then(
    ([samples]) => scaleOf(samples!),
    () => null,
  )
  return scale
}

/**
 * Decodes the beginning of a file by the browser's own decoder, which is there at once and works beside the page.
 * @param bytes of the file, from its start on
 * @param into memory for all of the recording, a channel each
 * @param isWhole whether it is all of the file
 * @returns how many samples of each channel are there now; 0 where it cannot be had to the last bit
 */
export async function beginNatively(
  bytes: Uint8Array,
  into: readonly Int16Array[],
  isWhole: boolean,
): Promise<number> {
  const mapped = await nativeScale()
  const frames = into[0]!.length
  if (!mapped) return 0
  const channels = await decodeNatively(bytes).catch(() => [])
  const decoded = channels[0]?.length ?? 0
  // of a file that is cut off, one that fills up what is missing cannot be told from one that is right
  if (channels.length !== into.length || (isWhole ? decoded !== frames : decoded >= frames)) return 0
  // nor can the last block, in which it was cut off
  const doubtful = isWhole ? 0 : (bytes[LARGEST_BLOCK]! << 8) | bytes[LARGEST_BLOCK + 1]!
  const count = Math.max(0, Math.min(decoded - doubtful, BEGINNING))
  channels.forEach((samples, c) => toWhole(samples.subarray(0, count), mapped, into[c]!))
  return count
}
