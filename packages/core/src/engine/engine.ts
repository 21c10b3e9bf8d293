import { TempoMap } from '../time'
import type { AudioStore } from './audio'
import { BLOCK, BlockTime } from './block'
import { Bus } from './bus'
import { ControlSignal } from './control-signal'
import type { Program } from './program'
import { levelQuantity } from './quantity'
import { ReturnStrip } from './return-strip'
import { apply, TrackStrip } from './track-strip'

/** What is listened to alone, by id. Belongs to the session: it is never saved and never rendered. */
export interface Solo {
  readonly tracks: readonly string[]
  readonly returns: readonly string[]
}

/**
 * Mixes a program block by block: the one engine behind what is heard, drawn and judged. It holds no place of
 * its own; whoever drives it (the player, the offline render) says which block comes next.
 */
export class Engine {
  /** Whether lines are followed. Off: every control stays at its own setting. */
  moves = true
  /** Whether peaks are kept. */
  metered = false
  /** In the order of the program's tracks. */
  strips: readonly TrackStrip[] = []
  /** In the order of the program's returns. */
  returns: readonly ReturnStrip[] = []

  readonly #main = new ControlSignal(levelQuantity)
  readonly #mainBus = new Bus()
  #buses: readonly Bus[] = []
  #byId = new Map<string, TrackStrip>()
  #block: BlockTime
  #solo: Solo | null = null
  #ids: readonly string[] = []
  #tempo: Program['tempo']
  #length: number

  constructor(
    program: Program,
    private readonly audio: AudioStore,
  ) {
    this.#tempo = program.tempo
    this.#length = program.length
    this.#block = new BlockTime(new TempoMap(program.tempo))
    this.load(program)
  }

  /** Length of the song in samples. */
  get length(): number {
    return this.#length
  }

  /** Samples for which something may still sound after all regions have ended; 0 where nothing rings. */
  get ringing(): number {
    let most = 0
    for (const strip of this.strips) most = Math.max(most, strip.ringing)
    for (const strip of this.returns) most = Math.max(most, strip.ringing)
    return most
  }

  /** Takes a changed program over while playing; tracks keep their state. */
  load(program: Program): void {
    if (program.tempo !== this.#tempo) {
      this.#tempo = program.tempo
      this.#block = new BlockTime(new TempoMap(program.tempo))
    }
    this.#length = program.length
    const kept = new Map<string, TrackStrip>()
    this.strips = program.tracks.map((track) => {
      const strip = this.#byId.get(track.id) ?? new TrackStrip(track)
      strip.load(track)
      kept.set(track.id, strip)
      return strip
    })
    this.#byId = kept
    this.returns = program.returns.map((back) => {
      const strip = this.returns.find((r) => r.id === back.id)
      strip?.load(back)
      return strip ?? new ReturnStrip(back)
    })
    if (this.#buses.length !== program.returns.length) this.#buses = program.returns.map(() => new Bus())
    this.#main.load(program.main)
    this.#ids = program.tracks.map((t) => t.id)
    this.listenTo(this.#solo)
  }

  /**
   * Listens to some tracks or returns alone; null for everything. A return alone still gets what is sent to it; a
   * track alone is heard with its share of the returns.
   */
  listenTo(solo: Solo | null): void {
    this.#solo = solo
    const some = solo !== null && solo.tracks.length + solo.returns.length > 0
    const byReturn = some && solo.returns.length > 0
    for (let i = 0; i < this.strips.length; i++) {
      const own = !some || solo.tracks.includes(this.#ids[i]!)
      this.strips[i]!.solo(own || byReturn, own)
    }
    for (const back of this.returns) back.solo(!byReturn || solo.returns.includes(back.id))
  }

  /** Forgets the past, for a change of place. */
  reset(): void {
    for (const strip of this.strips) strip.reset()
    for (const strip of this.returns) strip.reset()
    this.#main.reset()
  }

  /**
   * Writes `frames` (at most 128) frames of the song from sample `start` on to `left` and `right`.
   * Allocates nothing.
   */
  process(start: number, frames: number, left: Float32Array, right: Float32Array): void {
    const block = this.#block
    block.set(start, frames)
    const main = this.#mainBus
    main.clear(frames)
    for (let i = 0; i < this.#buses.length; i++) this.#buses[i]!.clear(frames)
    for (let i = 0; i < this.strips.length; i++) {
      this.strips[i]!.process(block, this.audio, this.moves, main, this.#buses, this.metered)
    }
    for (let i = 0; i < this.returns.length; i++) {
      this.returns[i]!.process(block, this.moves, this.#buses[i]!, main, this.#buses, this.metered)
    }
    for (let n = 0; n < frames; n++) {
      left[n] = main.left[n]!
      right[n] = main.right[n]!
    }
    this.#main.run(block, this.moves)
    apply(this.#main, left, frames)
    apply(this.#main, right, frames)
  }
}

export { BLOCK }
