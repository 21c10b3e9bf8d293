/** Web worker that plays recordings of a song anew from their notes, in another tempo. Two bytes a sample in shared memory. */
import type { AssetAudio } from '@rudlo/core/engine'
import { playAnew } from '@rudlo/core/players'
import type { SongVersion } from '@rudlo/core/song'
import { expose } from 'comlink'

const shared = (samples: Int16Array): Int16Array => {
  const made = new Int16Array(new SharedArrayBuffer(samples.byteLength))
  made.set(samples)
  return made
}

const api = {
  /** @returns null where its notes are not there */
  play(song: SongVersion, asset: string): AssetAudio | null {
    const made = playAnew(song, asset)
    return made && { ...made, channels: made.channels.map(shared) }
  },
}
export type PlayApi = typeof api
expose(api)
