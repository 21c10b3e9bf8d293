/** Worker thread that plays one part of the demo song. */
import { parentPort } from 'node:worker_threads'
import { eveningFerry, playPart } from '@rudlo/demo'

parentPort!.on('message', (id: string) => {
  const part = eveningFerry.parts.find((p) => p.id === id)
  if (!part) parentPort!.postMessage({ error: `There is no part "${id}".` })
  else parentPort!.postMessage({ result: playPart(eveningFerry, part).channels })
})
