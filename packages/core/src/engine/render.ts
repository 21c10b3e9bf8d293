import { SAMPLE_RATE } from '../time'
import type { AudioStore } from './audio'
import { BLOCK, Engine } from './engine'
import { HandoverReader, HandoverWriter, type Handover } from './handover'
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

/**
 * Renders a program with the same engine that plays it.
 * @returns null where `onProgress` stopped it
 */
export function render(program: Program, audio: AudioStore, options: RenderOptions = {}): Render | null {
  const { from = 0, to = program.length, moves = true, tail = false, onProgress, before } = options
  const engine = new Engine(program, audio)
  engine.moves = moves
  engine.before = before ? new HandoverReader(before) : null
  const frames = Math.max(0, to - from)
  const room = frames + (tail ? LONGEST_TAIL : 0)
  const left = new Float32Array(room)
  const right = new Float32Array(room)
  const blockLeft = new Float32Array(BLOCK)
  const blockRight = new Float32Array(BLOCK)
  let sinceReport = 0
  let done = 0
  while (done < room && (done < frames || engine.ringing > 0)) {
    const n = Math.min(BLOCK, (done < frames ? frames : room) - done)
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

/**
 * Plays the first tracks of a mix for another thread, which renders the others by the same options with `before`. Comes back when
 * that one is done. The two of them make the same as one thread, to the last bit.
 * @param program of the first tracks, with all returns
 * @throws HandoverLost where the other thread has come to nothing
 */
export function renderAhead(
  program: Program,
  audio: AudioStore,
  { from = 0, to = program.length, moves = true, tail = false }: Omit<RenderOptions, 'onProgress' | 'before'>,
  handover: Handover,
): void {
  const engine = new Engine(program, audio)
  engine.moves = moves
  const writer = new HandoverWriter(handover)
  const frames = Math.max(0, to - from)
  const room = frames + (tail ? LONGEST_TAIL : 0)
  // whether something still rings is known where all of it comes together
  for (let done = 0; done < room && !writer.isOver;) {
    const n = Math.min(BLOCK, (done < frames ? frames : room) - done)
    engine.handOver(from + done, n, writer)
    done += n
  }
  writer.end()
}

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
