/** Web worker that finds where sounds begin in a recording. */
import { findOnsets } from '@rudlo/core/onsets'

export interface OnsetTask {
  readonly id: string
  readonly channels: readonly Int16Array[]
}

export interface OnsetAnswer {
  readonly id: string
  /** Samples from the start of the recording. */
  readonly samples: readonly number[]
}

self.onmessage = ({ data }: MessageEvent<OnsetTask>) => {
  const samples = findOnsets(data.channels).map((o) => o.sample)
  self.postMessage({ id: data.id, samples } satisfies OnsetAnswer)
}
