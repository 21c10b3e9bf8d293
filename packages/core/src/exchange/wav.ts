import { words } from '@rudlo/words'

/** Writes 16 bit PCM WAV. Channels in −1…1; values outside are clipped. */
export function writeWav(rate: number, channels: readonly Float32Array[]): Uint8Array {
  const frames = channels[0]?.length ?? 0
  const width = channels.length * 2
  const bytes = new Uint8Array(44 + frames * width)
  const view = new DataView(bytes.buffer)
  const word = (at: number, text: string) => {
    for (let i = 0; i < text.length; i++) bytes[at + i] = text.charCodeAt(i)
  }
  word(0, 'RIFF')
  view.setUint32(4, 36 + frames * width, true)
  word(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, 1, true)
  view.setUint16(22, channels.length, true)
  view.setUint32(24, rate, true)
  view.setUint32(28, rate * width, true)
  view.setUint16(32, width, true)
  view.setUint16(34, 16, true)
  word(36, 'data')
  view.setUint32(40, frames * width, true)
  const samples = new Int16Array(bytes.buffer, 44)
  channels.forEach((channel, c) => {
    for (let n = 0; n < frames; n++) samples[n * channels.length + c] = quantise(channel[n]!)
  })
  return bytes
}

/** Nearest 16 bit sample of an amplitude. */
export function quantise(x: number): number {
  return Math.max(-32768, Math.min(32767, Math.round(x * 32767)))
}

/** Where the samples of a WAV file lie and how they are written. */
export interface WavLayout {
  readonly rate: number
  readonly channels: 1 | 2
  readonly frames: number
  /** Format code and bits, such as `1/16`. */
  readonly format: string
  /** First byte of the samples. */
  readonly start: number
}

/** Channels of a WAV file, −1…1. */
export interface WavAudio {
  readonly rate: number
  readonly channels: Float32Array[]
}

/**
 * Reads a WAV file: PCM of 16, 24 or 32 bit, or 32 bit float, mono or stereo.
 * @throws RangeError with one sentence for anything else, or for a damaged file
 */
export function readWav(bytes: Uint8Array): WavAudio {
  const layout = wavLayout(bytes)
  return {
    rate: layout.rate,
    channels: Array.from({ length: layout.channels }, (_, c) => readWavChannel(bytes, layout, c)),
  }
}

/** Finds the samples of a WAV file. @throws RangeError with one sentence where there are none that can be read */
export function wavLayout(bytes: Uint8Array): WavLayout {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const tag = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))
  if (bytes.length < 12 || tag(0) !== 'RIFF' || tag(8) !== 'WAVE') {
    throw new RangeError(words('wav.not'))
  }
  let head: { format: string; channels: number; rate: number; bits: number } | undefined
  for (let at = 12; at + 8 <= bytes.length;) {
    const size = view.getUint32(at + 4, true)
    const body = at + 8
    if (tag(at) === 'fmt ' && size >= 16 && body + size <= bytes.length) {
      const code = view.getUint16(body, true)
      const bits = view.getUint16(body + 14, true)
      head = {
        format: `${code === 0xfffe && size >= 26 ? view.getUint16(body + 24, true) : code}/${bits}`,
        channels: view.getUint16(body + 2, true),
        rate: view.getUint32(body + 4, true),
        bits,
      }
    }
    if (tag(at) === 'data') {
      if (!head) throw new RangeError(words('wav.does'))
      const { format, channels, rate, bits } = head
      if (!(format in READERS) || (channels !== 1 && channels !== 2)) {
        throw new RangeError(words('wav.mono-stereo'))
      }
      if (rate < 8000 || rate > 192_000) throw new RangeError(words('wav.sample-rates-khz'))
      const frames = Math.floor(Math.min(size, bytes.length - body) / ((bits / 8) * channels))
      return { rate, channels, frames, format, start: body }
    }
    at = body + size + (size & 1)
  }
  throw new RangeError(words('wav.ends'))
}

/** Reads one channel of a WAV file, −1…1: all of it, or the frames `from` (inclusive) to `to` (exclusive). */
export function readWavChannel(
  bytes: Uint8Array,
  { channels, frames, format, start }: WavLayout,
  channel: number,
  from = 0,
  to = frames,
): Float32Array {
  const width = Number(format.split('/')[1]) / 8
  const out = new Float32Array(to - from)
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  READERS[format]!(view, start + (from * channels + channel) * width, width * channels, out)
  return out
}

/** Reads one channel: a sample every `stride` bytes from `at` on. Each format has its own loop, so that it stays fast. */
type Reader = (view: DataView, at: number, stride: number, out: Float32Array) => void

/** What one step of 16 bit is: a power of two, by which nothing is rounded, and which is faster to multiply by. */
const SHORT = 1 / 32768

/** Whether this machine keeps the lower byte of a number first, as WAV files do. */
const IS_LITTLE_ENDIAN = new Uint8Array(Uint16Array.of(1).buffer)[0] === 1

/** Samples of 16 bit from a place on as they lie in memory: twice as fast as one by one. Null where they do not lie so. */
function littleEndianShorts({ buffer, byteOffset, byteLength }: DataView, at: number): Int16Array | null {
  const from = byteOffset + at
  if (!IS_LITTLE_ENDIAN || from % 2) return null
  return new Int16Array(buffer, from, Math.floor((byteLength - at) / 2))
}

const READERS: Readonly<Record<string, Reader>> = {
  '1/16': (v, at, stride, out) => {
    const samples = littleEndianShorts(v, at)
    const step = stride >> 1
    if (samples) for (let n = 0, i = 0; n < out.length; n++, i += step) out[n] = samples[i]! * SHORT
    else for (let n = 0; n < out.length; n++, at += stride) out[n] = v.getInt16(at, true) * SHORT
  },
  '1/24': (v, at, stride, out) => {
    for (let n = 0; n < out.length; n++, at += stride) {
      out[n] = ((v.getInt16(at + 1, true) << 8) | v.getUint8(at)) / 8388608
    }
  },
  '1/32': (v, at, stride, out) => {
    for (let n = 0; n < out.length; n++, at += stride) out[n] = v.getInt32(at, true) / 2147483648
  },
  '3/32': (v, at, stride, out) => {
    for (let n = 0; n < out.length; n++, at += stride) out[n] = v.getFloat32(at, true)
  },
}
