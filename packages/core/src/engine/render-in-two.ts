import type { AudioStore } from './audio'
import { Engine } from './engine'
import { HandoverWriter, type Handover } from './handover'
import type { Program } from './program'
import { extentOf, nextBlock, type RenderOptions } from './render'

/** What the work of a track is, of its effects and sends, and of a return, beside each other. */
const WORK = { track: 4, effect: 2, send: 0.5, back: 5, main: 2 }

/**
 * Divides a mix between two threads that have about as much to do: the first tracks, which are played ahead, and the others with
 * returns and main output. null where there is nothing to divide.
 */
export function inTwo(program: Program): { readonly ahead: Program; readonly after: Program } | null {
  const { tracks, returns } = program
  if (tracks.length < 2) return null
  const work = tracks.map((t) => WORK.track + t.effects.length * WORK.effect + t.sends.length * WORK.send)
  const shared = returns.length * WORK.back + WORK.main
  const half = (work.reduce((sum, w) => sum + w, 0) + shared) / 2
  let count = 0
  for (let sum = 0; count < tracks.length - 1 && sum + work[count]! / 2 < half; count++) sum += work[count]!
  count = Math.max(1, count)
  return {
    ahead: { ...program, tracks: tracks.slice(0, count) },
    after: { ...program, tracks: tracks.slice(count) },
  }
}

/**
 * Plays the first tracks of a mix for another thread, which renders the others by the same options with `before`. Comes back when
 * that one wants no more, or has all. The two of them make the same as one thread, to the last bit.
 * @param program of the first tracks, with all returns
 * @throws HandoverLost where the other thread has come to nothing
 */
export function renderAhead(
  program: Program,
  audio: AudioStore,
  options: Omit<RenderOptions, 'onProgress' | 'before'>,
  handover: Handover,
): void {
  const engine = new Engine(program, audio)
  engine.moves = options.moves ?? true
  const writer = new HandoverWriter(handover)
  const extent = extentOf(program, options)
  // whether something still rings is known where all of it comes together
  for (let done = 0; done < extent.room && !writer.isOver;) {
    const n = nextBlock(done, extent)
    engine.handOver(extent.from + done, n, writer)
    done += n
  }
  writer.end()
}
