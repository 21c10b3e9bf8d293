import { ChannelMeter, type ChannelLoudness } from './channel'
import { integratedLoudness, loudnessRange, loudnessTrace } from './gating'
import { dbfs } from './lufs'

/** What a loudness measurement says. */
export interface Loudness {
  /** LUFS; null for silence. */
  readonly integrated: number | null
  /** LUFS, 10 a second, 400 ms windows; −Infinity for silence. */
  readonly momentary: Float64Array
  /** LUFS, 10 a second, 3 s windows. */
  readonly shortTerm: Float64Array
  /** LU. */
  readonly range: number
  /** dBTP; −Infinity for silence. */
  readonly truePeak: number
}

/** What surround channels count by (BS.1770-4, table 3). */
const SURROUND_WEIGHT = 1.41

/**
 * The loudness of channels that were measured apart, by ITU-R BS.1770-4 and EBU Tech 3341 and 3342. Mono counts
 * as one channel; five channels are left, right, centre, left and right surround.
 */
export function loudnessOf(channels: readonly ChannelLoudness[]): Loudness {
  const hops = new Float64Array(channels[0]?.hops.length ?? 0)
  channels.forEach((channel, c) => {
    const weight = c < 3 ? 1 : SURROUND_WEIGHT
    for (let n = 0; n < hops.length; n++) hops[n]! += weight * channel.hops[n]!
  })
  return {
    integrated: integratedLoudness(hops),
    momentary: loudnessTrace(hops, 4),
    shortTerm: loudnessTrace(hops, 30),
    range: loudnessRange(hops),
    truePeak: dbfs(Math.max(0, ...channels.map((c) => c.peak))),
  }
}

/** Measures sound of several channels as it comes. */
export class LoudnessMeter {
  readonly #channels: readonly ChannelMeter[]

  constructor(rate: number, channels: 1 | 2 | 5) {
    this.#channels = Array.from({ length: channels }, () => new ChannelMeter(rate))
  }

  /** Takes the next samples, one array a channel, all of one length. */
  push(...channels: readonly Float32Array[]): void {
    this.#channels.forEach((meter, c) => meter.push(channels[c]!))
  }

  /** The measurement of all that came. The meter must not be used afterwards. */
  finish(): Loudness {
    return loudnessOf(this.#channels.map((meter) => meter.finish()))
  }
}

/** Measures whole channels at once. */
export function measureLoudness(
  rate: number,
  channels: readonly [Float32Array] | readonly [Float32Array, Float32Array],
): Loudness {
  const meter = new LoudnessMeter(rate, channels.length)
  meter.push(...channels)
  return meter.finish()
}
