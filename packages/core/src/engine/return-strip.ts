import type { BlockTime } from './block'
import type { Bus } from './bus'
import { ControlSignal } from './control-signal'
import { EffectChain } from './effects'
import { panStereo, type Sides } from './pan'
import type { ReturnProgram } from './program'
import { levelQuantity, muteQuantity, openQuantity, panQuantity } from './quantity'
import { loadSends, type SendStrip } from './send-strip'
import { apply } from './track-strip'

/** One return's path: what is sent to it → effects → mute → pre-fader sends → volume → pan → post-fader sends → main. */
export class ReturnStrip {
  readonly id: string
  /** Highest sample since it was last read and cleared, after the pan. */
  peak = 0

  readonly #effects = new EffectChain(2)
  readonly #mute = new ControlSignal(muteQuantity)
  readonly #level = new ControlSignal(levelQuantity)
  readonly #pan = new ControlSignal(panQuantity)
  /** 1 where solo lets the return through to the main bus. */
  readonly #direct = new ControlSignal(openQuantity)
  readonly #controls = [this.#mute, this.#level, this.#pan, this.#direct] as const
  readonly #sides: Sides = { left: 1, right: 1 }
  #sends: readonly SendStrip[] = []
  #ringing = 0

  constructor(program: ReturnProgram) {
    this.id = program.id
    this.solo(true)
    this.load(program)
  }

  /** Samples for which its effects may still sound; 0 where nothing rings. */
  get ringing(): number {
    return Math.max(0, this.#ringing)
  }

  load(program: ReturnProgram): void {
    this.#effects.load(program.effects)
    this.#mute.load(program.mute)
    this.#level.load(program.level)
    this.#pan.load(program.pan)
    this.#sends = loadSends(this.#sends, program.sends)
  }

  /** Says whether solo leaves the return on the main bus. */
  solo(direct: boolean): void {
    this.#direct.load({ setting: Number(direct), line: null })
  }

  reset(): void {
    this.#ringing = 0
    this.#effects.reset()
    this.#resetControls()
  }

  /** Processes what is on its bus in place and adds it to the main one. */
  process(
    block: BlockTime,
    moves: boolean,
    bus: Bus,
    main: Bus,
    buses: readonly Bus[],
    metered: boolean,
  ): void {
    if (!bus.fed && this.#ringing <= 0) return this.#resetControls()
    const { frames } = block
    const { channels } = bus
    const fed = bus.fed
    bus.fed = true
    this.#effects.process(block, moves, channels)
    this.#ringing = fed ? this.#effects.tail : this.#ringing - frames
    for (const control of this.#controls) control.run(block, moves)
    for (const channel of channels) apply(this.#mute, channel, frames)
    for (const send of this.#sends) if (send.tap === 'pre') send.process(block, moves, channels, buses)
    for (const channel of channels) apply(this.#level, channel, frames)
    this.#turn(channels, frames)
    for (const send of this.#sends) if (send.tap === 'post') send.process(block, moves, channels, buses)
    for (const channel of channels) apply(this.#direct, channel, frames)
    main.fed = true
    for (let n = 0; n < frames; n++) {
      main.left[n] = main.left[n]! + bus.left[n]!
      main.right[n] = main.right[n]! + bus.right[n]!
    }
    if (metered) for (const channel of channels) this.#meter(channel, frames)
  }

  #turn([left, right]: readonly [Float32Array, Float32Array], frames: number): void {
    const pan = this.#pan
    if (pan.uniform && pan.value === 0) return
    for (let n = 0; n < frames; n++) {
      if (n === 0 || !pan.uniform) panStereo(pan.uniform ? pan.value : pan.values[n]!, this.#sides)
      left[n]! *= this.#sides.left
      right[n]! *= this.#sides.right
    }
  }

  #meter(channel: Float32Array, frames: number): void {
    for (let n = 0; n < frames; n++) this.peak = Math.max(this.peak, Math.abs(channel[n]!))
  }

  #resetControls(): void {
    for (const control of this.#controls) control.reset()
    for (const send of this.#sends) send.reset()
  }
}
