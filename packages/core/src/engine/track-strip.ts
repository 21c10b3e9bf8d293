import type { AudioStore } from './audio'
import { apply } from './apply'
import { BLOCK, type BlockTime } from './block'
import { Bus } from './bus'
import { ControlSignal } from './control-signal'
import { EffectChain } from './effects'
import type { Floats, Kernels, MemoryPart } from './kernels'
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
  readonly #controls: readonly ControlSignal[]
  readonly #left: Floats
  readonly #right: Floats
  readonly #source: readonly Floats[]
  readonly #panned: Bus
  readonly #from: Sides = { left: 1, right: 1 }
  readonly #to: Sides = { left: 1, right: 1 }
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
    this.#controls = [this.#gain, this.#mute, this.#level, this.#pan, this.#width, this.#heard, this.#direct]
    this.#left = memory.floats(BLOCK)
    this.#right = memory.floats(BLOCK)
    this.#panned = new Bus(memory)
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
    this.#effects.load(program.effects)
    this.#sends = loadSends(this.#sends, program.sends, this.#memory)
    this.#pre = this.#sends.filter((send) => send.tap === 'pre')
    this.#post = this.#sends.filter((send) => send.tap === 'post')
  }

  /** Says what solo leaves of the track: whether it sounds at all, and whether the main bus gets it. */
  solo(heard: boolean, direct: boolean): void {
    this.#heard.load({ setting: Number(heard), line: null })
    this.#direct.load({ setting: Number(direct), line: null })
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

  /** Adds the track's sound to the main bus and to those of the returns. `metered` also keeps the peak. */
  process(
    block: BlockTime,
    audio: AudioStore,
    moves: boolean,
    main: Bus,
    buses: readonly Bus[],
    metered: boolean,
  ): void {
    const { frames } = block
    const sounds = this.#reader.read(this.#program.regions, audio, block, this.#source)
    if (!sounds) {
      if (this.#ringing <= 0) return this.#resetControls()
      for (const { view } of this.#source) view.fill(0, 0, frames)
    }
    for (let i = 0; i < this.#controls.length; i++) this.#controls[i]!.run(block, moves)
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
    main.fed = true
    const straight = this.#direct.uniform && this.#direct.value === 1
    if (straight && !this.#post.length) {
      this.#mix(this.#left, main.left, this.#from.left, this.#to.left, frames, true)
      this.#mix(right, main.right, this.#from.right, this.#to.right, frames, true)
    } else {
      const { left: l, right: r } = this.#panned
      this.#mix(this.#left, l, this.#from.left, this.#to.left, frames, false)
      this.#mix(right, r, this.#from.right, this.#to.right, frames, false)
      for (let i = 0; i < this.#post.length; i++) {
        this.#post[i]!.process(block, moves, this.#panned.channels, buses)
      }
      this.#give(l, main.left, frames)
      this.#give(r, main.right, frames)
    }
    if (metered) this.#meter(right, frames)
  }

  /** Adds one side to the main bus, as far as solo lets it. */
  #give(from: Floats, to: Floats, frames: number): void {
    const direct = this.#direct
    if (direct.uniform) this.#kernels.addScaled(to.at, from.at, frames, direct.value)
    else this.#kernels.addProduct(to.at, from.at, direct.values.at, frames, 1)
  }

  #resetControls(): void {
    for (const control of this.#controls) control.reset()
    for (const send of this.#sends) send.reset()
  }

  /** The gains of the two sides at the start and the end of the block. */
  #findSides(stereo: boolean, frames: number): void {
    const law = stereo ? panStereo : panMono
    const pan = this.#pan
    law(pan.uniform ? pan.value : pan.values.view[0]!, this.#from)
    if (pan.uniform) {
      this.#to.left = this.#from.left
      this.#to.right = this.#from.right
    } else {
      const last = pan.values.view[frames - 1]!
      const step = frames > 1 ? last - pan.values.view[frames - 2]! : 0
      law(Math.min(1, Math.max(-1, last + step)), this.#to)
    }
  }

  #widen(frames: number): void {
    const width = this.#width
    if (width.uniform && width.value === 1) return
    const shape = width.uniform ? 0 : width.values.at
    this.#kernels.widen(this.#left.at, this.#right.at, frames, width.value, shape)
  }

  /** Puts one side on a bus, or adds it if `sum`: volume and pan in one go. */
  #mix(source: Floats, bus: Floats, from: number, to: number, frames: number, sum: boolean): void {
    const level = this.#level
    const step = (to - from) / frames
    if (!level.uniform) {
      this.#kernels.shapeProduct(bus.at, source.at, level.values.at, frames, from, step, sum)
    } else if (step !== 0) {
      this.#kernels.shapeRamped(bus.at, source.at, frames, from * level.value, step * level.value, sum)
    } else if (sum) this.#kernels.addScaled(bus.at, source.at, frames, from * level.value)
    else this.#kernels.copyScaled(bus.at, source.at, frames, from * level.value)
  }

  /** Keeps the highest sample after volume and pan. The sound before them is not needed any more. */
  #meter(right: Floats, frames: number): void {
    const before = this.#peakAfterLevel(this.#left, frames)
    const beside = right === this.#left ? before : this.#peakAfterLevel(right, frames)
    const left = before * Math.max(this.#from.left, this.#to.left)
    this.peak = Math.max(this.peak, left, beside * Math.max(this.#from.right, this.#to.right))
  }

  #peakAfterLevel(source: Floats, frames: number): number {
    apply(this.#kernels, this.#level, source, frames)
    return this.#kernels.peak(source.at, frames)
  }
}
