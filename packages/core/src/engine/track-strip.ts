import type { AudioStore } from './audio'
import { BLOCK, type BlockTime } from './block'
import { Bus } from './bus'
import { ControlSignal } from './control-signal'
import { EffectChain } from './effects'
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
import { readRegions } from './region-reader'
import { loadSends, type SendStrip } from './send-strip'

/**
 * One track's path: regions → pre-fader gain → effects → mute → pre-fader sends → volume → pan and width →
 * post-fader sends → the bus.
 */
export class TrackStrip {
  /** Highest sample since it was last read and cleared, after the pan. */
  peak = 0

  readonly #gain = new ControlSignal(gainQuantity)
  readonly #mute = new ControlSignal(muteQuantity)
  readonly #level = new ControlSignal(levelQuantity)
  readonly #pan = new ControlSignal(panQuantity)
  readonly #width = new ControlSignal(widthQuantity)
  /** 1 where solo lets the track through at all, and where it lets it through to the main bus. */
  readonly #heard = new ControlSignal(openQuantity)
  readonly #direct = new ControlSignal(openQuantity)
  readonly #controls = [
    this.#gain,
    this.#mute,
    this.#level,
    this.#pan,
    this.#width,
    this.#heard,
    this.#direct,
  ] as const
  readonly #left = new Float32Array(BLOCK)
  readonly #right = new Float32Array(BLOCK)
  readonly #source: readonly Float32Array[]
  readonly #panned = new Bus()
  readonly #from: Sides = { left: 1, right: 1 }
  readonly #to: Sides = { left: 1, right: 1 }
  readonly #effects: EffectChain
  #sends: readonly SendStrip[] = []
  /** Samples for which the effects may still sound. */
  #ringing = 0
  #program: TrackProgram

  constructor(program: TrackProgram) {
    this.#program = program
    this.#source = program.channels === 2 ? [this.#left, this.#right] : [this.#left]
    this.#effects = new EffectChain(program.channels)
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
    this.#sends = loadSends(this.#sends, program.sends)
  }

  /** Says what solo leaves of the track: whether it sounds at all, and whether the main bus gets it. */
  solo(heard: boolean, direct: boolean): void {
    this.#heard.load({ setting: Number(heard), line: null })
    this.#direct.load({ setting: Number(direct), line: null })
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
    const sounds = readRegions(this.#program.regions, audio, block, this.#source)
    if (!sounds) {
      if (this.#ringing <= 0) return this.#resetControls()
      for (const channel of this.#source) channel.fill(0, 0, frames)
    }
    for (const control of this.#controls) control.run(block, moves)
    for (const channel of this.#source) apply(this.#gain, channel, frames)
    if (!this.#effects.empty) {
      this.#effects.process(block, moves, this.#source)
      this.#ringing = sounds ? this.#effects.tail : this.#ringing - frames
    }
    for (const channel of this.#source) {
      apply(this.#mute, channel, frames)
      apply(this.#heard, channel, frames)
    }
    for (const send of this.#sends) if (send.tap === 'pre') send.process(block, moves, this.#source, buses)
    const stereo = this.#source.length === 2
    if (stereo) this.#widen(frames)
    this.#findSides(stereo, frames)
    const right = stereo ? this.#right : this.#left
    main.fed = true
    const straight = this.#direct.uniform && this.#direct.value === 1
    if (straight && !this.#sends.some(isPost)) {
      this.#mix(this.#left, main.left, this.#from.left, this.#to.left, frames, metered)
      this.#mix(right, main.right, this.#from.right, this.#to.right, frames, metered)
      return
    }
    const { left: l, right: r } = this.#panned
    l.fill(0, 0, frames)
    r.fill(0, 0, frames)
    this.#mix(this.#left, l, this.#from.left, this.#to.left, frames, metered)
    this.#mix(right, r, this.#from.right, this.#to.right, frames, metered)
    for (const send of this.#sends) if (isPost(send)) send.process(block, moves, this.#panned.channels, buses)
    apply(this.#direct, l, frames)
    apply(this.#direct, r, frames)
    for (let n = 0; n < frames; n++) {
      main.left[n] = main.left[n]! + l[n]!
      main.right[n] = main.right[n]! + r[n]!
    }
  }

  #resetControls(): void {
    for (const control of this.#controls) control.reset()
    for (const send of this.#sends) send.reset()
  }

  /** The gains of the two sides at the start and the end of the block. */
  #findSides(stereo: boolean, frames: number): void {
    const law = stereo ? panStereo : panMono
    const pan = this.#pan
    law(pan.uniform ? pan.value : pan.values[0]!, this.#from)
    if (pan.uniform) {
      this.#to.left = this.#from.left
      this.#to.right = this.#from.right
    } else {
      const last = pan.values[frames - 1]!
      const step = frames > 1 ? last - pan.values[frames - 2]! : 0
      law(Math.min(1, Math.max(-1, last + step)), this.#to)
    }
  }

  #widen(frames: number): void {
    const width = this.#width
    if (width.uniform && width.value === 1) return
    for (let n = 0; n < frames; n++) {
      const l = this.#left[n]!
      const r = this.#right[n]!
      const middle = 0.5 * (l + r)
      const side = 0.5 * (l - r) * (width.uniform ? width.value : width.values[n]!)
      this.#left[n] = middle + side
      this.#right[n] = middle - side
    }
  }

  /** Adds one side to the bus: volume and pan in one go. */
  #mix(
    source: Float32Array,
    bus: Float32Array,
    from: number,
    to: number,
    frames: number,
    metered: boolean,
  ): void {
    const level = this.#level
    if (level.uniform) addRamped(source, bus, from * level.value, to * level.value, frames)
    else addShaped(source, level.values, bus, from, to, frames)
    if (!metered) return
    const loudest = Math.max(from, to)
    let peak = this.peak
    for (let n = 0; n < frames; n++) {
      const a = Math.abs(source[n]! * (level.uniform ? level.value : level.values[n]!)) * loudest
      if (a > peak) peak = a
    }
    this.peak = peak
  }
}

const isPost = (send: SendStrip) => send.tap === 'post'

/** Adds a signal whose gain runs straight from one value to another. */
function addRamped(source: Float32Array, bus: Float32Array, from: number, to: number, frames: number): void {
  if (from === to) {
    if (from === 0) return
    for (let n = 0; n < frames; n++) bus[n] = bus[n]! + source[n]! * from
    return
  }
  const step = (to - from) / frames
  for (let n = 0; n < frames; n++) bus[n] = bus[n]! + source[n]! * (from + step * n)
}

/** Adds a signal with a gain for each sample, and one more that runs straight from one value to another. */
function addShaped(
  source: Float32Array,
  gains: Float32Array,
  bus: Float32Array,
  from: number,
  to: number,
  frames: number,
): void {
  const step = (to - from) / frames
  for (let n = 0; n < frames; n++) bus[n] = bus[n]! + source[n]! * gains[n]! * (from + step * n)
}

/** Multiplies samples by a control. */
export function apply(control: ControlSignal, samples: Float32Array, frames: number): void {
  if (control.uniform) {
    const { value } = control
    if (value === 1) return
    for (let n = 0; n < frames; n++) samples[n]! *= value
    return
  }
  const { values } = control
  for (let n = 0; n < frames; n++) samples[n]! *= values[n]!
}
