import { readWavChannel, type WavLayout } from '@rudlo/core/exchange'
import { hopCount, measureStretch, type ChannelLoudness } from '@rudlo/core/loudness'

/** Hops of a stretch: ten seconds. */
const HOPS = 100

/** A WAV file that threads measure together. Everything lies in shared memory: each takes the next stretch that nobody has. */
export interface SharedMeasurement {
  readonly bytes: Uint8Array
  readonly layout: WavLayout
  /** How many stretches were taken, and how many are done. */
  readonly counters: Int32Array
  /** Of every channel, one after the other: mean squares of its hops. */
  readonly hops: Float64Array
  /** Of every stretch, the true peak of each channel. */
  readonly peaks: Float64Array
}

const stretchesOf = ({ frames, rate }: WavLayout): number =>
  Math.max(1, Math.ceil(hopCount(frames, rate) / HOPS))

/** Room for the measurement of a file. @param bytes in shared memory */
export function sharedMeasurement(bytes: Uint8Array, layout: WavLayout): SharedMeasurement {
  const doubles = (count: number) => new Float64Array(new SharedArrayBuffer(count * 8))
  return {
    bytes,
    layout,
    counters: new Int32Array(new SharedArrayBuffer(8)),
    hops: doubles(hopCount(layout.frames, layout.rate) * layout.channels),
    peaks: doubles(stretchesOf(layout) * layout.channels),
  }
}

/** Measures stretches until all are taken. Called by every thread that takes part. */
export function measureStretches({ bytes, layout, counters, hops, peaks }: SharedMeasurement): void {
  const { channels, rate, frames } = layout
  const count = hopCount(frames, rate)
  const stretches = stretchesOf(layout)
  const read = (channel: number, from: number, to: number) => readWavChannel(bytes, layout, channel, from, to)
  for (let i = Atomics.add(counters, 0, 1); i < stretches; i = Atomics.add(counters, 0, 1)) {
    const stretch = {
      rate,
      frames,
      firstHop: i * HOPS,
      endHop: Math.min(count, (i + 1) * HOPS),
      isLast: i === stretches - 1,
    }
    for (let c = 0; c < channels; c += 2) {
      const two = c + 1 < channels ? [c, c + 1] : [c]
      const found = measureStretch(
        read,
        two,
        stretch,
        two.map((channel) => hops.subarray(channel * count, (channel + 1) * count)),
      )
      found.forEach((peak, k) => (peaks[i * channels + two[k]!] = peak))
    }
    Atomics.add(counters, 1, 1)
  }
}

/** Whether every stretch is measured. */
export const isMeasured = ({ layout, counters }: SharedMeasurement): boolean =>
  Atomics.load(counters, 1) >= stretchesOf(layout)

/** What was measured of each channel. */
export function channelsOf({
  layout: { channels, frames, rate },
  hops,
  peaks,
}: SharedMeasurement): ChannelLoudness[] {
  const count = hopCount(frames, rate)
  return Array.from({ length: channels }, (_, c) => ({
    hops: hops.slice(c * count, (c + 1) * count),
    peak: peaks.reduce((most, peak, i) => (i % channels === c ? Math.max(most, peak) : most), 0),
  }))
}
