import type { AudioStore } from './audio'
import { apply } from './apply'
import { BLOCK, type BlockTime } from './block'
import type { Bus } from './bus'
import { ControlGroup } from './control-group'
import { ControlSignal } from './control-signal'
import { EffectChain } from './effect-chain'
import type { Floats, Kernels, MemoryPart } from '../kernels'
import { panMono, panStereo, type Sides } from './pan'
import type { TrackProgram } from './program'
import {
  gainQuantity,
  levelQuantity,
  muteQuantity,
  openQuantity,
  panQuantity,
  widthQuantity,
} from './quantity'
import { RegionReader } from './region-reader'
import { loadSends, type SendStrip } from './send-strip'

/**
 * One track's path: regions → pre-fader gain → effects → mute → pre-fader sends → volume → pan and width →
 * post-fader sends → the bus.
 */
export class TrackStrip {
  /** Highest sample since it was last read and cleared, after the pan. */
  peak = 0

  readonly #memory: MemoryPart
  readonly #kernels: Kernels
  readonly #gain: ControlSignal
  readonly #mute: ControlSignal
  readonly #level: ControlSignal
  readonly #pan: ControlSignal
  readonly #width: ControlSignal
  /** 1 where solo lets the track through at all, and where it lets it through to the main bus. */
  readonly #heard: ControlSignal
  readonly #direct: ControlSignal
  readonly #controls: ControlGroup
  readonly #left: Floats
  readonly #right: Floats
  readonly #source: readonly Floats[]
  /** The two sides as they come out. */
  readonly #panned: readonly [Floats, Floats]
  readonly #from: Sides = { left: 1, right: 1 }
  readonly #to: Sides = { left: 1, right: 1 }
  /** The pan that `#to` is for; NaN where none is. */
  #panAt = NaN
  readonly #reader: RegionReader
  readonly #effects: EffectChain
  #sends: readonly SendStrip[] = []
  /** The sends before and after the fader. */
  #pre: readonly SendStrip[] = []
  #post: readonly SendStrip[] = []
  /** Samples for which the effects may still sound. */
  #ringing = 0
  #program: TrackProgram

  constructor(program: TrackProgram, memory: MemoryPart) {
    this.#program = program
    this.#memory = memory
    this.#kernels = memory.kernels
    this.#gain = new ControlSignal(gainQuantity, memory)
    this.#mute = new ControlSignal(muteQuantity, memory)
    this.#level = new ControlSignal(levelQuantity, memory)
    this.#pan = new ControlSignal(panQuantity, memory)
    this.#width = new ControlSignal(widthQuantity, memory)
    this.#heard = new ControlSignal(openQuantity, memory)
    this.#direct = new ControlSignal(openQuantity, memory)
    this.#controls = new ControlGroup([
      this.#gain,
      this.#mute,
      this.#level,
      this.#pan,
      this.#width,
      this.#heard,
      this.#direct,
    ])
    this.#left = memory.memory.scratch('left', BLOCK)
    this.#right = memory.memory.scratch('right', BLOCK)
    this.#panned = [memory.memory.scratch('panned left', BLOCK), memory.memory.scratch('panned right', BLOCK)]
    this.#source = program.channels === 2 ? [this.#left, this.#right] : [this.#left]
    this.#reader = new RegionReader(program.channels, memory)
    this.#effects = new EffectChain(program.channels, memory.memory)
    this.solo(true, true)
    this.load(program)
  }

  /** Samples for which its effects may still sound; 0 where nothing rings. */
  get ringing(): number {
    return Math.max(0, this.#ringing)
  }

  load(program: TrackProgram): void {
    this.#program = program
    this.#gain.load(program.gain)
    this.#mute.load(program.mute)
    this.#level.load(program.level)
    this.#pan.load(program.pan)
    this.#width.load(program.width)
    this.#controls.wake()
    this.#effects.load(program.effects)
    this.#sends = loadSends(this.#sends, program.sends, this.#memory)
    this.#pre = this.#sends.filter((send) => send.tap === 'pre')
    this.#post = this.#sends.filter((send) => send.tap === 'post')
  }

  /** Says what solo leaves of the track: whether it sounds at all, and whether the main bus gets it. */
  solo(heard: boolean, direct: boolean): void {
    this.#heard.load({ setting: Number(heard), line: null })
    this.#direct.load({ setting: Number(direct), line: null })
    this.#controls.wake()
  }

  /** Gives its memory back: it is used no more. */
  dispose(): void {
    this.#effects.dispose()
    for (const send of this.#sends) send.dispose()
    this.#memory.release()
  }

  reset(): void {
    this.#ringing = 0
    this.#effects.reset()
    this.#resetControls()
  }

  /** The two sides as they came out in the last block; the next track that is processed writes over them. */
  get panned(): readonly [Floats, Floats] {
    return this.#panned
  }

  /**
   * Adds the track's sound to the main bus and to those of the returns. `metered` also keeps the peak.
   * @returns whether anything sounded
   */
  process(
    block: BlockTime,
    audio: AudioStore,
    moves: boolean,
    main: Bus,
    buses: readonly Bus[],
    metered: boolean,
  ): boolean {
    const { frames } = block
    const sounds = this.#reader.read(this.#program.regions, audio, block, this.#source)
    if (!sounds) {
      if (this.#ringing <= 0) {
        this.#resetControls()
        return false
      }
      for (const { view } of this.#source) view.fill(0, 0, frames)
    }
    this.#controls.run(block, moves)
    for (let c = 0; c < this.#source.length; c++) apply(this.#kernels, this.#gain, this.#source[c]!, frames)
    if (!this.#effects.empty) {
      this.#effects.process(block, moves, this.#source)
      this.#ringing = sounds ? this.#effects.tail : this.#ringing - frames
    }
    for (let c = 0; c < this.#source.length; c++) {
      apply(this.#kernels, this.#mute, this.#source[c]!, frames)
      apply(this.#kernels, this.#heard, this.#source[c]!, frames)
    }
    for (let i = 0; i < this.#pre.length; i++) this.#pre[i]!.process(block, moves, this.#source, buses)
    const stereo = this.#source.length === 2
    if (stereo) this.#widen(frames)
    this.#findSides(stereo, frames)
    const right = stereo ? this.#right : this.#left
    this.#place(right, main, frames)
    this.#share(block, moves, buses)
    if (metered) this.#meter(frames)
    return true
  }

  /** Volume and pan: writes the two sides as they come out, and adds them to the main bus as far as solo lets it. */
  #place(right: Floats, main: Bus, frames: number): void {
    const level = this.#level
    const direct = this.#direct
    const from = this.#from
    const to = this.#to
    const [l, r] = this.#panned
    main.fed = true
    this.#kernels.place(
      this.#left.at,
      right.at,
      frames,
      level.straight ? 0 : level.values.at,
      level.value,
      level.step,
      from.left,
      (to.left - from.left) / frames,
      from.right,
      (to.right - from.right) / frames,
      l.at,
      r.at,
      main.left.at,
      main.right.at,
      direct.uniform ? direct.value : 0,
    )
    if (direct.uniform) return
    this.#kernels.addProduct(main.left.at, l.at, direct.values.at, frames, 1)
    this.#kernels.addProduct(main.right.at, r.at, direct.values.at, frames, 1)
  }

  /** Gives the two sides to the sends after the fader. Sends that rest go two at a time. */
  #share(block: BlockTime, moves: boolean, buses: readonly Bus[]): void {
    const [left, right] = this.#panned
    const sends = this.#post
    for (let i = 0; i < sends.length; i++) sends[i]!.run(block, moves)
    for (let i = 0; i < sends.length; i++) {
      const send = sends[i]!
      const next = sends[i + 1]
      const one = send.busOf(buses)
      const two = next?.busOf(buses)
      const gain = send.steadyGain
      const nextGain = next?.steadyGain ?? NaN
      // both gains are numbers above 0: a comparison with NaN is false
      if (one && two && one !== two && gain > 0 && nextGain > 0) {
        one.fed = true
        two.fed = true
        i++
        this.#kernels.addToTwo(
          left.at,
          right.at,
          block.frames,
          one.left.at,
          one.right.at,
          gain,
          two.left.at,
          two.right.at,
          nextGain,
        )
      } else send.add(block, this.#panned, buses)
    }
  }

  #resetControls(): void {
    this.#controls.reset()
    for (const send of this.#sends) send.reset()
  }

  /** The gains of the two sides at the start and the end of the block. */
  #findSides(stereo: boolean, frames: number): void {
    const law = stereo ? panStereo : panMono
    const pan = this.#pan
    if (pan.straight && pan.value === this.#panAt) {
      // where the block before ended
      this.#from.left = this.#to.left
      this.#from.right = this.#to.right
    } else law(pan.first, this.#from)
    if (pan.uniform) {
      this.#to.left = this.#from.left
      this.#to.right = this.#from.right
      this.#panAt = pan.value
    } else {
      const last = pan.last(frames)
      const step = pan.straight ? pan.step : frames > 1 ? last - pan.at(frames - 2) : 0
      this.#panAt = Math.min(1, Math.max(-1, last + step))
      law(this.#panAt, this.#to)
    }
  }

  #widen(frames: number): void {
    const width = this.#width
    if (width.uniform && width.value === 1) return
    const shape = width.uniform ? 0 : width.values.at
    this.#kernels.widen(this.#left.at, this.#right.at, frames, width.value, shape)
  }

  /** Keeps the highest sample after volume and pan. */
  #meter(frames: number): void {
    const [left, right] = this.#panned
    this.peak = Math.max(this.peak, this.#kernels.peak(left.at, frames), this.#kernels.peak(right.at, frames))
  }
}
