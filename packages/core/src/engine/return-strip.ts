import { apply } from './apply'
import type { BlockTime } from './block'
import type { Bus } from './bus'
import { ControlGroup } from './control-group'
import { ControlSignal } from './control-signal'
import { EffectChain } from './effect-chain'
import type { Floats, MemoryPart } from '../kernels'
import { panStereo, type Sides } from './pan'
import type { ReturnProgram } from './program'
import { levelQuantity, muteQuantity, openQuantity, panQuantity } from './quantity'
import { loadSends, type SendStrip } from './send-strip'

/** One return's path: what is sent to it → effects → mute → pre-fader sends → volume → pan → post-fader sends → main. */
export class ReturnStrip {
  readonly id: string
  /** Highest sample since it was last read and cleared, after the pan. */
  peak = 0

  readonly #memory: MemoryPart
  readonly #effects: EffectChain
  readonly #mute: ControlSignal
  readonly #level: ControlSignal
  readonly #pan: ControlSignal
  /** 1 where solo lets the return through to the main bus. */
  readonly #direct: ControlSignal
  readonly #controls: ControlGroup
  readonly #sides: Sides = { left: 1, right: 1 }
  #sends: readonly SendStrip[] = []
  #ringing = 0

  constructor(program: ReturnProgram, memory: MemoryPart) {
    this.id = program.id
    this.#memory = memory
    this.#effects = new EffectChain(2, memory.memory)
    this.#mute = new ControlSignal(muteQuantity, memory)
    this.#level = new ControlSignal(levelQuantity, memory)
    this.#pan = new ControlSignal(panQuantity, memory)
    this.#direct = new ControlSignal(openQuantity, memory)
    this.#controls = new ControlGroup([this.#mute, this.#level, this.#pan, this.#direct])
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
    this.#controls.wake()
    this.#sends = loadSends(this.#sends, program.sends, this.#memory)
  }

  /** Says whether solo leaves the return on the main bus. */
  solo(direct: boolean): void {
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

  /** Processes what is on its bus in place and adds it to the main one. @returns whether anything sounded */
  process(
    block: BlockTime,
    moves: boolean,
    bus: Bus,
    main: Bus,
    buses: readonly Bus[],
    metered: boolean,
  ): boolean {
    if (!bus.fed && this.#ringing <= 0) {
      this.#resetControls()
      return false
    }
    const { frames } = block
    const { channels } = bus
    const { kernels } = this.#memory
    const fed = bus.fed
    bus.fed = true
    this.#effects.process(block, moves, channels)
    this.#ringing = fed ? this.#effects.tail : this.#ringing - frames
    this.#controls.run(block, moves)
    for (const channel of channels) apply(kernels, this.#mute, channel, frames)
    for (const send of this.#sends) if (send.tap === 'pre') send.process(block, moves, channels, buses)
    for (const channel of channels) apply(kernels, this.#level, channel, frames)
    this.#turn(channels, frames)
    for (const send of this.#sends) if (send.tap === 'post') send.process(block, moves, channels, buses)
    for (const channel of channels) apply(kernels, this.#direct, channel, frames)
    main.fed = true
    kernels.addScaled(main.left.at, bus.left.at, frames, 1)
    kernels.addScaled(main.right.at, bus.right.at, frames, 1)
    if (metered) {
      for (const { at } of channels) this.peak = Math.max(this.peak, kernels.peak(at, frames))
    }
    return true
  }

  #turn([left, right]: readonly [Floats, Floats], frames: number): void {
    const pan = this.#pan
    if (pan.uniform && pan.value === 0) return
    for (let n = 0; n < frames; n++) {
      if (n === 0 || !pan.uniform) panStereo(pan.at(n), this.#sides)
      left.view[n]! *= this.#sides.left
      right.view[n]! *= this.#sides.right
    }
  }

  #resetControls(): void {
    this.#controls.reset()
    for (const send of this.#sends) send.reset()
  }
}
