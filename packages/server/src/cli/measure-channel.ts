import { readWavChannel, type WavLayout } from '@rudlo/core/exchange'
import { ChannelMeter, type ChannelLoudness } from '@rudlo/core/loudness'

/** A channel of a WAV file to measure. */
export interface ChannelTask {
  readonly bytes: Uint8Array
  readonly layout: WavLayout
  readonly channel: number
}

export function measureChannel({ bytes, layout, channel }: ChannelTask): ChannelLoudness {
  const meter = new ChannelMeter(layout.rate)
  meter.push(readWavChannel(bytes, layout, channel))
  return meter.finish()
}
