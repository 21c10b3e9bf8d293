import type { AudioStore } from './audio'
import { BLOCK, Engine } from './engine'
import type { Program } from './program'

/** A stereo render at 44.1 kHz, as Float32 before any quantising. */
export interface Render {
  readonly left: Float32Array
  readonly right: Float32Array
}

export interface RenderOptions {
  /** First sample; 0 if not given. */
  readonly from?: number
  /** Sample after the last; the end of the song if not given. */
  readonly to?: number
  /** Whether lines are followed; true if not given. */
  readonly moves?: boolean
  /** Told the share done, 0…1, about every second of sound. Return false to stop. */
  readonly onProgress?: (share: number) => boolean
}

/**
 * Renders a program with the same engine that plays it.
 * @returns null where `onProgress` stopped it
 */
export function render(program: Program, audio: AudioStore, options: RenderOptions = {}): Render | null {
  const { from = 0, to = program.length, moves = true, onProgress } = options
  const engine = new Engine(program, audio)
  engine.moves = moves
  const frames = Math.max(0, to - from)
  const left = new Float32Array(frames)
  const right = new Float32Array(frames)
  const blockLeft = new Float32Array(BLOCK)
  const blockRight = new Float32Array(BLOCK)
  let sinceReport = 0
  for (let done = 0; done < frames; done += BLOCK) {
    const n = Math.min(BLOCK, frames - done)
    engine.process(from + done, n, blockLeft, blockRight)
    left.set(n === BLOCK ? blockLeft : blockLeft.subarray(0, n), done)
    right.set(n === BLOCK ? blockRight : blockRight.subarray(0, n), done)
    if (onProgress && ++sinceReport === 345) {
      sinceReport = 0
      if (!onProgress(done / frames)) return null
    }
  }
  return { left, right }
}
