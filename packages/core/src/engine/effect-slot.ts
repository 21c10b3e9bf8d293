import type { EffectKind } from '../effects'
import { apply } from './apply'
import { BLOCK, type BlockTime } from './block'
import { ControlGroup } from './control-group'
import { ControlSignal } from './control-signal'
import type { Floats, MemoryPart } from '../kernels'
import type { EffectProgram } from './program'
import { muteQuantity, plainQuantity, shareQuantity } from './quantity'
import type { Processor } from '../effects/processor'
import { PROCESSORS } from '../effects/processors'

/**
 * An effect in its place: bypass and wet around what it does. Bypass fades what goes in, so what still rings goes
 * on ringing; wet scales what comes out, and cuts it.
 */
export class EffectSlot {
  readonly id: string
  readonly #kind: EffectKind
  readonly #mode: string
  readonly #memory: MemoryPart
  readonly #wet: ControlSignal
  /** 1 where the sound goes through the effect, 0 where it is bypassed. */
  readonly #through: ControlSignal
  readonly #params: Readonly<Record<string, ControlSignal>>
  readonly #controls: ControlGroup
  readonly #processor: Processor
  readonly #inside: readonly Floats[]

  constructor(program: EffectProgram, channels: 1 | 2, memory: MemoryPart) {
    this.#memory = memory
    this.#wet = new ControlSignal(shareQuantity, memory)
    this.#through = new ControlSignal(muteQuantity, memory)
    this.id = program.id
    this.#kind = program.kind
    this.#mode = program.mode
    this.#params = Object.fromEntries(
      Object.entries(program.params).map(([word]) => [
        word,
        new ControlSignal(plainQuantity(program.kind, word), memory),
      ]),
    )
    this.#controls = new ControlGroup([this.#wet, this.#through, ...Object.values(this.#params)])
    this.#processor = PROCESSORS[program.kind](this.#params, program.mode, channels, memory)
    this.#inside = Array.from({ length: channels }, (_, c) => memory.memory.scratch(`inside ${c}`, BLOCK))
    this.load(program)
  }

  /** Whether this slot can go on with a changed program, or a fresh one is needed. */
  fits({ id, kind, mode }: EffectProgram): boolean {
    return this.id === id && this.#kind === kind && this.#mode === mode
  }

  load(program: EffectProgram): void {
    this.#wet.load(program.wet)
    this.#through.load(program.bypass)
    for (const word in this.#params) this.#params[word]!.load(program.params[word]!)
    this.#controls.wake()
  }

  /** Samples for which it may still sound after silence came in. */
  get tail(): number {
    return this.#processor.tail
  }

  /** Gives its memory back: it is used no more. */
  dispose(): void {
    this.#memory.release()
  }

  reset(): void {
    this.#controls.reset()
    this.#processor.reset()
  }

  process(block: BlockTime, moves: boolean, channels: readonly Floats[]): void {
    const { frames } = block
    const { kernels } = this.#memory
    this.#controls.run(block, moves)
    const wet = this.#wet
    const through = this.#through
    if (wet.uniform && wet.value === 1 && through.uniform && through.value === 1) {
      return this.#processor.process(block, channels)
    }
    for (let c = 0; c < channels.length; c++) {
      kernels.copyScaled(this.#inside[c]!.at, channels[c]!.at, frames, 1)
      apply(kernels, through, this.#inside[c]!, frames)
    }
    this.#processor.process(block, this.#inside)
    const w = wet.uniform ? 0 : wet.values.at
    const t = through.uniform ? 0 : through.values.at
    for (let c = 0; c < channels.length; c++) {
      kernels.blend(channels[c]!.at, this.#inside[c]!.at, frames, w, wet.value, t, through.value)
    }
  }
}
