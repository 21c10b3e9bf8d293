/** Worker thread that renders a hand-in and measures it. Decoded audio is kept for the next one. */
import { parentPort } from 'node:worker_threads'
import { assessWork, type Assessed, type ToAssess } from '@rudlo/core/brief'
import type { AssetAudio } from '@rudlo/core/engine'
import { RecentParts } from '@rudlo/core/heard'
import { decodeFlac } from '../songbook/flac-decoder'

/** A work to measure and assess. `flac` holds the song's audio files by asset id. */
export interface MeasureTask extends ToAssess {
  readonly flac: ReadonlyMap<string, Uint8Array>
}

const KEPT = 64
const decoded = new Map<string, AssetAudio>()
/** Parts of mixes that were measured before: hand-ins of one song share most of them. */
const parts = new RecentParts()

async function measure({ flac, ...task }: MeasureTask): Promise<Assessed> {
  const { song } = task
  if (decoded.size > KEPT) decoded.clear()
  for (const { id, frames } of song.assets) {
    const bytes = flac.get(id)
    if (!decoded.has(id) && bytes) decoded.set(id, { channels: await decodeFlac(bytes, frames), frames })
  }
  return assessWork(task, decoded, parts)!
}

parentPort!.on('message', (task: MeasureTask) => {
  measure(task).then(
    (result) => parentPort!.postMessage({ result }),
    (error: Error) => parentPort!.postMessage({ error: error.message }),
  )
})
