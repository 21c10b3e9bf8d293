import { TempoMap } from '../time'
import { apply } from './apply'
import type { AudioStore } from './audio'
import { BLOCK, BlockTime } from './block'
import { Bus } from './bus'
import { ControlSignal } from './control-signal'
import { EngineMemory, type Floats } from '../kernels'
import type { HandoverReader, HandoverWriter } from './handover'
import type { Program } from './program'
import { levelQuantity } from './quantity'
import { ReturnStrip } from './return-strip'
import { preparePages } from './sample-pages'
import { TrackStrip } from './track-strip'

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
  /** Where what tracks before those of the program give comes from, where another thread plays them. */
  before: HandoverReader | null = null
  /** In the order of the program's tracks. */
  strips: readonly TrackStrip[] = []
  /** In the order of the program's returns. */
  returns: readonly ReturnStrip[] = []

  readonly #memory = new EngineMemory()
  readonly #own = this.#memory.part()
  readonly #main = new ControlSignal(levelQuantity, this.#own)
  readonly #mainBus = new Bus(this.#own)
  #buses: readonly Bus[] = []
  /** The main bus and those of the returns. */
  #allBuses: readonly Bus[] = []
  readonly #spare: Bus[] = []
  #byId = new Map<string, TrackStrip>()
  readonly #taps: { readonly ids: readonly string[]; readonly bus: Bus }[] = []
  #block: BlockTime
  #solo: Solo | null = null
  #ids: readonly string[] = []
  #tempo: Program['tempo']
  #length: number

  constructor(
    program: Program,
    private readonly audio: AudioStore,
  ) {
    preparePages(audio.values())
    this.#tempo = program.tempo
    this.#length = program.length
    this.#block = new BlockTime(new TempoMap(program.tempo))
    this.load(program)
  }

  /** Length of the song in samples. */
  get length(): number {
    return this.#length
  }

  /** Bytes that the engine has taken of the machine's memory, the recordings not counted. */
  get bytes(): number {
    return this.#memory.kernels.memory.buffer.byteLength
  }

  /** Samples for which something may still sound after all regions have ended; 0 where nothing rings. */
  get ringing(): number {
    let most = this.before?.ringing ?? 0
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
      const strip = this.#byId.get(track.id) ?? new TrackStrip(track, this.#memory.part())
      strip.load(track)
      kept.set(track.id, strip)
      return strip
    })
    for (const [id, strip] of this.#byId) if (!kept.has(id)) strip.dispose()
    this.#byId = kept
    const before = this.returns
    this.returns = program.returns.map((back) => {
      const strip = before.find((r) => r.id === back.id)
      strip?.load(back)
      return strip ?? new ReturnStrip(back, this.#memory.part())
    })
    for (const strip of before) if (!this.returns.includes(strip)) strip.dispose()
    // buses are alike: those that are not needed now are kept for later
    while (this.#spare.length < program.returns.length) this.#spare.push(new Bus(this.#own))
    this.#buses = this.#spare.slice(0, program.returns.length)
    this.#allBuses = [this.#mainBus, ...this.#buses]
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

  /**
   * What some tracks and returns give to the main output, after the main volume, to be had beside the mix: it is on the bus
   * after each block. It changes nothing of what is played.
   * @param ids of tracks and returns
   */
  tap(ids: readonly string[]): Bus {
    const bus = new Bus(this.#own)
    this.#taps.push({ ids, bus })
    return bus
  }

  /** Forgets the past, for a change of place. */
  reset(): void {
    for (const strip of this.strips) strip.reset()
    for (const strip of this.returns) strip.reset()
    this.#main.reset()
  }

  /**
   * Writes `frames` (at most {@link BLOCK}) frames of the song from sample `start` on to `left` and `right`.
   * Allocates nothing.
   */
  process(start: number, frames: number, left: Float32Array, right: Float32Array): void {
    const block = this.#block
    const main = this.#mainBus
    this.#playTracks(start, frames)
    for (let i = 0; i < this.returns.length; i++) {
      const strip = this.returns[i]!
      const bus = this.#buses[i]!
      const sounds = strip.process(block, this.moves, bus, main, this.#buses, this.metered)
      if (sounds) this.#give(strip.id, bus.channels, frames)
    }
    this.#main.run(block, this.moves)
    const { kernels } = this.#memory
    apply(kernels, this.#main, main.left, frames)
    apply(kernels, this.#main, main.right, frames)
    for (let i = 0; i < this.#taps.length; i++) {
      const { left: l, right: r, fed } = this.#taps[i]!.bus
      if (!fed) continue
      apply(kernels, this.#main, l, frames)
      apply(kernels, this.#main, r, frames)
    }
    const l = main.left.view
    const r = main.right.view
    if (frames === left.length && frames === BLOCK) {
      left.set(l)
      right.set(r)
    } else {
      for (let n = 0; n < frames; n++) {
        left[n] = l[n]!
        right[n] = r[n]!
      }
    }
  }

  /**
   * Plays the tracks of a block alone, and hands over what they give: to whoever plays the tracks after them, in whose mix all are
   * added up in the order in which one thread would.
   * @throws HandoverLost
   */
  handOver(start: number, frames: number, to: HandoverWriter): void {
    this.#playTracks(start, frames)
    // its returns play nothing, so that it is the tracks that ring
    to.give(this.#allBuses, this.ringing)
  }

  #playTracks(start: number, frames: number): void {
    const block = this.#block
    block.set(start, frames)
    const main = this.#mainBus
    main.clear(frames)
    for (let i = 0; i < this.#buses.length; i++) this.#buses[i]!.clear(frames)
    for (let i = 0; i < this.#taps.length; i++) this.#taps[i]!.bus.clear(frames)
    this.before?.take(this.#allBuses)
    for (let i = 0; i < this.strips.length; i++) {
      const strip = this.strips[i]!
      const sounds = strip.process(block, this.audio, this.moves, main, this.#buses, this.metered)
      if (sounds) this.#give(this.#ids[i]!, strip.panned, frames)
    }
  }

  /** Adds what somebody gave to the main bus to the taps that ask for it. */
  #give(id: string, [left, right]: readonly [Floats, Floats], frames: number): void {
    const { kernels } = this.#memory
    for (let i = 0; i < this.#taps.length; i++) {
      const { ids, bus } = this.#taps[i]!
      if (!ids.includes(id)) continue
      bus.fed = true
      kernels.addScaled(bus.left.at, left.at, frames, 1)
      kernels.addScaled(bus.right.at, right.at, frames, 1)
    }
  }
}

export { BLOCK }
