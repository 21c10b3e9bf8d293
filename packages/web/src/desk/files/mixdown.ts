import {
  HandoverLost,
  inTwo,
  makeHandover,
  render,
  type AudioStore,
  type Program,
  type Render,
} from '@rudlo/core/engine'
import { wrap } from 'comlink'
import type { PlayAheadApi } from './play-ahead.worker'

const playAhead = () => new Worker(new URL('./play-ahead.worker.ts', import.meta.url), { type: 'module' })

/** A mix with its tail. @param onProgress told the share done, 0…1 */
type Rendered = (program: Program, audio: AudioStore, onProgress: (share: number) => void) => Promise<Render>

/**
 * Renders a mix with its tail, for a worker: where the machine has two cores, a second worker plays the first tracks ahead. It makes
 * the same to the last bit, and where that worker comes to nothing this one does all of it.
 */
export const mixdown: Rendered = async (program, audio, onProgress) => {
  const told = (share: number) => {
    onProgress(share)
    return true
  }
  const alone = () => render(program, audio, { tail: true, onProgress: told })!
  const two = navigator.hardwareConcurrency > 1 ? inTwo(program) : null
  if (!two) return alone()
  const helper = playAhead()
  const remote = wrap<PlayAheadApi>(helper)
  try {
    // it has to be up first: this thread does not look up until all is rendered
    const lost = new Promise<false>((resolve) => helper.addEventListener('error', () => resolve(false)))
    if (!(await Promise.race([remote.ready(), lost]))) return alone()
    const before = makeHandover(program.returns.length)
    void remote.play(two.ahead, audio, true, before).catch(() => undefined)
    return render(two.after, audio, { tail: true, onProgress: told, before })!
  } catch (error) {
    if (error instanceof HandoverLost) return alone()
    throw error
  } finally {
    helper.terminate()
  }
}
