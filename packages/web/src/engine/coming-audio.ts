import type { AssetAudio } from '@rudlo/core/engine'
import type { AssetInfo } from '@rudlo/core/song'

/** A recording that is on its way: memory for all of it, which fills from the start. */
export interface ComingAudio {
  readonly audio: AssetAudio
  /** Where its samples are written: the same memory as that of `audio`. */
  readonly into: readonly Int16Array[]
  /** Says that so many samples are there by now; never fewer than before. */
  arrive(frames: number): void
  isWhole(): boolean
}

/** Takes memory that all threads share for a recording of which nothing is there yet. */
export function comingAudio({ channels, frames }: Pick<AssetInfo, 'channels' | 'frames'>): ComingAudio {
  const into = Array.from(
    { length: channels },
    () => new Int16Array(new SharedArrayBuffer(frames * Int16Array.BYTES_PER_ELEMENT)),
  )
  const arrived = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT))
  return {
    audio: { channels: into, frames, arrived },
    into,
    arrive: (now) => {
      if (now > Atomics.load(arrived, 0)) Atomics.store(arrived, 0, now)
    },
    isWhole: () => Atomics.load(arrived, 0) === frames,
  }
}
