import { SAMPLE_RATE } from '../time'
import type { AudioStore } from './audio'
import { BLOCK, Engine } from './engine'
import { HandoverReader, type Handover } from './handover'
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
  /** Whether it runs on after `to` until what rings has died away; false if not given. */
  readonly tail?: boolean
  /** Told the share done, 0…1, about every second of sound. Return false to stop. */
  readonly onProgress?: (share: number) => boolean
  /** Where another thread hands over what the tracks before those of the program give (see `renderAhead`). */
  readonly before?: Handover
}

/** A tail ends for good where it stays below −90 dBFS … */
const INAUDIBLE = 3.1623e-5
/** … and after 10 s at the latest. */
const LONGEST_TAIL = 10 * SAMPLE_RATE
const REPORT_BLOCKS = Math.round(SAMPLE_RATE / BLOCK)

/** What is rendered of a program, in samples: from where, how many to its end, and how many at most with its tail. */
export interface Extent {
  readonly from: number
  readonly frames: number
  readonly room: number
}

export function extentOf(
  program: Program,
  { from = 0, to = program.length, tail = false }: RenderOptions,
): Extent {
  const frames = Math.max(0, to - from)
  return { from, frames, room: frames + (tail ? LONGEST_TAIL : 0) }
}

/** Samples of the next block where so many are done: one ends where the tail begins. */
export const nextBlock = (done: number, { frames, room }: Extent): number =>
  Math.min(BLOCK, (done < frames ? frames : room) - done)

/**
 * Renders a program with the same engine that plays it.
 * @returns null where `onProgress` stopped it
 */
export function render(program: Program, audio: AudioStore, options: RenderOptions = {}): Render | null {
  const { moves = true, tail = false, onProgress, before } = options
  const extent = extentOf(program, options)
  const { from, frames, room } = extent
  const engine = new Engine(program, audio)
  engine.moves = moves
  engine.before = before ? new HandoverReader(before) : null
  const left = new Float32Array(room)
  const right = new Float32Array(room)
  const blockLeft = new Float32Array(BLOCK)
  const blockRight = new Float32Array(BLOCK)
  let sinceReport = 0
  let done = 0
  while (done < room && (done < frames || engine.ringing > 0)) {
    const n = nextBlock(done, extent)
    engine.process(from + done, n, blockLeft, blockRight)
    left.set(n === BLOCK ? blockLeft : blockLeft.subarray(0, n), done)
    right.set(n === BLOCK ? blockRight : blockRight.subarray(0, n), done)
    done += n
    if (onProgress && ++sinceReport === REPORT_BLOCKS) {
      sinceReport = 0
      if (!onProgress(Math.min(1, done / frames))) {
        engine.before?.end()
        return null
      }
    }
  }
  engine.before?.end()
  if (!tail) return { left, right }
  while (done > frames && quiet(left[done - 1]!) && quiet(right[done - 1]!)) done--
  return { left: left.slice(0, done), right: right.slice(0, done) }
}

const quiet = (x: number) => x < INAUDIBLE && x > -INAUDIBLE

/**
 * Renders every track by itself, each with its own share of the returns: together they are the mix.
 * @returns stems in the order of the tracks, or null where `onProgress` stopped it
 */
export function renderStems(
  program: Program,
  audio: AudioStore,
  options: RenderOptions = {},
): readonly { readonly track: string; readonly sound: Render }[] | null {
  const { onProgress } = options
  const count = program.tracks.length
  const stems: { track: string; sound: Render }[] = []
  for (const track of program.tracks) {
    const sound = render({ ...program, tracks: [track] }, audio, {
      ...options,
      ...(onProgress ? { onProgress: (share: number) => onProgress((stems.length + share) / count) } : {}),
    })
    if (!sound) return null
    stems.push({ track: track.id, sound })
  }
  return stems
}
