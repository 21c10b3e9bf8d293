import type { BlockTime } from './block'
import type { EngineMemory, Floats } from '../kernels'
import type { EffectProgram } from './program'
import { EffectSlot } from './effect-slot'

/** The effects of a track or return, in order. */
export class EffectChain {
  #slots: readonly EffectSlot[] = []

  constructor(
    private readonly channels: 1 | 2,
    private readonly memory: EngineMemory,
  ) {}

  /** Takes a changed chain over: an effect that stays keeps what rings in it, wherever it is moved to. */
  load(programs: readonly EffectProgram[]): void {
    const before = this.#slots
    this.#slots = programs.map((program) => {
      const kept = before.find((slot) => slot.fits(program))
      kept?.load(program)
      return kept ?? new EffectSlot(program, this.channels, this.memory.part())
    })
    for (const slot of before) if (!this.#slots.includes(slot)) slot.dispose()
  }

  /** Gives its memory back: it is used no more. */
  dispose(): void {
    for (const slot of this.#slots) slot.dispose()
  }

  get empty(): boolean {
    return this.#slots.length === 0
  }

  /** Samples for which the chain may still sound after silence came in. */
  get tail(): number {
    let tail = 0
    for (let i = 0; i < this.#slots.length; i++) tail += this.#slots[i]!.tail
    return tail
  }

  process(block: BlockTime, moves: boolean, channels: readonly Floats[]): void {
    for (let i = 0; i < this.#slots.length; i++) this.#slots[i]!.process(block, moves, channels)
  }

  reset(): void {
    for (let i = 0; i < this.#slots.length; i++) this.#slots[i]!.reset()
  }
}
