/** Worker thread that renders a hand-in and measures it. Decoded audio is kept for the next one. */
import { parentPort } from 'node:worker_threads'
import { measureMix, type Measurement } from '@rudlo/core/assess'
import type { AssetAudio } from '@rudlo/core/engine'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { decodeFlac } from '../songbook/flac-decoder'

/** A hand-in to measure. `flac` holds the song's audio files by asset id. */
export interface MeasureTask {
  readonly song: SongVersion
  readonly mix: Mix
  readonly flac: ReadonlyMap<string, Uint8Array>
}

const KEPT = 64
const decoded = new Map<string, AssetAudio>()

async function measure({ song, mix, flac }: MeasureTask): Promise<Measurement> {
  if (decoded.size > KEPT) decoded.clear()
  for (const { id, frames } of song.assets) {
    const bytes = flac.get(id)
    if (!decoded.has(id) && bytes) decoded.set(id, { channels: await decodeFlac(bytes, frames), frames })
  }
  return measureMix(song, mix, decoded)
}

parentPort!.on('message', (task: MeasureTask) => {
  measure(task).then(
    (result) => parentPort!.postMessage({ result }),
    (error: Error) => parentPort!.postMessage({ error: error.message }),
  )
})
