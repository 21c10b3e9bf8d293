/** Worker thread that plays one part of a song of the demo. */
import { parentPort } from 'node:worker_threads'
import { playPart, SONGS } from '@rudlo/demo'

/** Which part of which song. */
export interface PartTask {
  readonly song: string
  readonly part: string
}

parentPort!.on('message', ({ song, part: id }: PartTask) => {
  const score = SONGS.find((s) => s.title === song)
  const part = score?.parts.find((p) => p.id === id)
  if (!score || !part) parentPort!.postMessage({ error: `There is no part "${id}" of "${song}".` })
  else parentPort!.postMessage({ result: playPart(score, part).channels })
})
