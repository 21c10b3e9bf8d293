import type { AssetAudio } from '@rudlo/core/engine'
import { KNOWN_FLAC, KNOWN_SAMPLES } from '@rudlo/core/flac'
import { LESSONS } from '@rudlo/core/brief'
import { point } from '@rudlo/core/envelope'
import {
  addEffect,
  addReturn,
  addSend,
  plainMix,
  trackLevel,
  withPoints,
  withSetting,
  type Mix,
} from '@rudlo/core/mix'
import type { AssetInfo, Role, SongVersion } from '@rudlo/core/song'
import type { DecodeTask } from './decode-worker'
import type { Measured, MeasureTask } from './measure-worker'
import type { WorkerPool } from './worker-pool'

/** After the start, so that nobody who opens the first page waits for it. */
const FIRST_MS = 20_000
/** How often is looked whether the server is at rest. */
const LOOK_MS = 2000
/** A server is at rest that takes less than this share of a core, all its threads together. */
const AT_REST = 0.3
/** And that is asked for less than this in a second. A fast machine answers 300 benches that save with a third of a core. */
const FEW_ASKED = 150
/** Times over for each thread: by then the compiler knows what measuring is made of. */
const ROUNDS = 4

const RATE = 44_100
const BAR = 3840
const BARS = 8
/** At 120 beats a minute. */
const FRAMES = BARS * 2 * RATE

const TRACKS: readonly Role[] = ['lead', 'voice', 'bass', 'drums', 'chords', 'texture']

/** A recording is called by 64 figures. */
const nameOf = (track: number) => String(track).repeat(64)

/** A song of six tracks that nobody plays and nothing keeps. */
const song: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: 'Rehearsal',
  length: BARS * BAR,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: ['A', 'B'].map((letter, i) => ({ id: letter, letter, name: '', tick: (i * BARS * BAR) / 2 })),
  tracks: TRACKS.map((role) => ({ id: role, name: role, role, channels: 1 })),
  regions: TRACKS.map((role, i) => ({
    id: `take-${role}`,
    track: role,
    asset: nameOf(i),
    start: 0,
    offset: 0,
    length: FRAMES,
  })),
  assets: TRACKS.map((_, i): AssetInfo => ({ id: nameOf(i), channels: 1, frames: FRAMES })),
}

/** A stroke at each beat that dies away. */
function strokes(): AssetAudio {
  const samples = new Int16Array(new SharedArrayBuffer(FRAMES * Int16Array.BYTES_PER_ELEMENT))
  const [beat, period] = [RATE / 2, RATE / 110]
  for (let n = 0; n < FRAMES; n++)
    samples[n] = 12_000 * (1 - (n % beat) / beat) * ((n % period) / period - 0.5)
  return { channels: [samples], frames: FRAMES }
}

/** What a mix may have: a return that two tracks are sent to, and effects. */
function startingMix(): Mix {
  let mix = addReturn(plainMix(song), '', 'reverb', { back: 'room', effect: 'reverb' })
  for (const track of ['lead', 'voice']) {
    mix = addSend(mix, track, 'room', `${track}-room`)
    mix = withSetting(mix, `send/${track}-room/level`, -12)
  }
  return addEffect(addEffect(mix, 'chords', 'filter', 'filter'), 'bass', 'delay', 'delay')
}

/** A hand-in of a song that is not there, another one for each number. */
export function rehearsalTask(number: number, sound = strokes()): MeasureTask {
  const start = startingMix()
  const drawn = TRACKS.slice(0, 3).reduce(
    (mix, track, i) =>
      withPoints(
        mix,
        trackLevel(track),
        [point(0, -40), point((2 + i) * BAR, -6 - number), point(6 * BAR, -3), point(BARS * BAR, -30)],
        () => `line-${track}`,
      ),
    start,
  )
  let ids = 0
  const tasks = LESSONS.filter((lesson) => lesson.missing(start) === null).map((lesson) =>
    lesson.make(song, start, () => `id-${ids++}`),
  )
  return {
    song,
    // the same sound for all of them, and heard as six
    audio: new Map(TRACKS.map((_, i) => [nameOf(i), { ...sound }])),
    start: { mix: JSON.stringify(start) },
    mix: { work: JSON.stringify({ mix: drawn, notes: [] }) },
    brief: { tasks, open: TRACKS.map(trackLevel) },
    more: { commands: [], writing: [] },
    pictured: true,
  }
}

/** What this process has taken of a core since the last look: more than 1 where several threads are at work. */
function loadSince(): () => number {
  let [used, at] = [process.cpuUsage(), performance.now()]
  return () => {
    const { user, system } = process.cpuUsage(used)
    const share = (user + system) / 1000 / (performance.now() - at)
    ;[used, at] = [process.cpuUsage(), performance.now()]
    return share
  }
}

/** How a rehearsal is begun. */
export interface RehearsalOptions {
  /** After the start, and between two looks, in ms. */
  readonly firstMs?: number
  readonly lookMs?: number
  /** What the server has taken of a core since the last look. */
  readonly load?: () => number
  /** Whether threads are at work, or programs that they have started. */
  readonly busy?: () => boolean
}

/**
 * Measures hand-ins that nobody has handed in, once after the start and when the server is at rest. Threads that have measured
 * before are a third faster: the first class that hands in at the end of a lesson, and whoever saves meanwhile, need not wait for
 * them to learn it.
 */
export class Rehearsal {
  readonly #firstMs: number
  readonly #lookMs: number
  readonly #load: () => number
  readonly #busy: () => boolean
  /** Requests since the last look, and when that was. */
  #asked = 0
  #looked = performance.now()
  #timer: ReturnType<typeof setTimeout> | null = null
  #closed = false

  /**
   * @param threads of each of the pools
   * @param failed told why it did not go through
   */
  constructor(
    private readonly of: {
      readonly measurers: Pick<WorkerPool<MeasureTask, Measured>, 'run'>
      readonly decoders: Pick<WorkerPool<DecodeTask, Int16Array[]>, 'run'>
    },
    private readonly threads: number,
    private readonly failed: (reason: string) => void,
    { firstMs = FIRST_MS, lookMs = LOOK_MS, load = loadSince(), busy = () => false }: RehearsalOptions = {},
  ) {
    this.#firstMs = firstMs
    this.#lookMs = lookMs
    this.#load = load
    this.#busy = busy
  }

  /** Rehearses when the server has been up for a moment, and is at rest. */
  start(): void {
    this.#later(this.#firstMs)
  }

  /** The server was asked for something: as long as that happens often, it is not at rest. */
  asked(): void {
    this.#asked++
  }

  close(): void {
    this.#closed = true
    if (this.#timer) clearTimeout(this.#timer)
  }

  /** What anybody hands in meanwhile comes first. @returns what was found */
  async run(): Promise<Measured[]> {
    const { measurers, decoders } = this.of
    const each = Array.from({ length: this.threads }, (_, n) => n)
    const short = { bytes: Buffer.from(KNOWN_FLAC, 'base64'), frames: KNOWN_SAMPLES.length }
    await Promise.all(each.map(() => decoders.run(short)))
    const sound = strokes()
    const found: Measured[] = []
    for (let round = 0; round < ROUNDS; round++) {
      const tasks = each.map((n) => rehearsalTask(round * this.threads + n, sound))
      found.push(...(await Promise.all(tasks.map((task) => measurers.run(task)))))
    }
    return found
  }

  /** What was asked in a second, since this was last looked at. */
  #askedASecond(): number {
    const [asked, since] = [this.#asked, performance.now() - this.#looked]
    this.#asked = 0
    this.#looked = performance.now()
    return (asked / since) * 1000
  }

  #later(ms: number): void {
    this.#timer = setTimeout(() => {
      const load = this.#load()
      if (this.#askedASecond() > FEW_ASKED || load > AT_REST || this.#busy()) return this.#later(this.#lookMs)
      this.run().catch(({ message }: Error) => {
        // a server that stops ends its threads
        if (!this.#closed) this.failed(message)
      })
    }, ms).unref()
  }
}
