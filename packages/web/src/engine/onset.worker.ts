/** Web worker that finds where sounds begin in a recording. */
import { findOnsets } from '@rudlo/core/onsets'
import { expose } from 'comlink'

const api = {
  /** @returns samples from the start of the recording */
  onsets: (channels: readonly Int16Array[]): number[] => findOnsets(channels).map((o) => o.sample),
}
export type OnsetApi = typeof api
expose(api)
