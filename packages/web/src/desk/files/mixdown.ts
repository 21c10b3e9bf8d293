import {
  HandoverLost,
  inTwo,
  makeHandover,
  render,
  type AudioStore,
  type Program,
  type Render,
  type RenderOptions,
} from '@rudlo/core/engine'
import { wrap } from 'comlink'
import type { PlayAheadApi } from './play-ahead.worker'

const playAhead = () => new Worker(new URL('./play-ahead.worker.ts', import.meta.url), { type: 'module' })

/**
 * Renders a mix, for a worker: where the machine has two cores, a second worker plays the first tracks ahead. It makes the same to
 * the last bit, and where that worker comes to nothing this one does all of it.
 * @param options of which `onProgress` stops nothing
 */
export async function mixdown(
  program: Program,
  audio: AudioStore,
  options: Pick<RenderOptions, 'tail' | 'onProgress'>,
): Promise<Render> {
  const alone = () => render(program, audio, options)!
  const two = navigator.hardwareConcurrency > 1 ? inTwo(program) : null
  if (!two) return alone()
  const helper = playAhead()
  try {
    const remote = wrap<PlayAheadApi>(helper)
    const lost = new Promise<false>((resolve) => helper.addEventListener('error', () => resolve(false)))
    // it has to be up first: this thread does not look up until all is rendered
    if (!(await Promise.race([remote.ready(), lost]))) return alone()
    const before = makeHandover(program.returns.length)
    void remote.play(two.ahead, audio, options.tail ?? false, before).catch(() => undefined)
    return render(two.after, audio, { ...options, before })!
  } catch (error) {
    if (error instanceof HandoverLost) return alone()
    throw error
  } finally {
    helper.terminate()
  }
}
