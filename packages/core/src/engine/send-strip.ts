import { BLOCK, type BlockTime } from './block'
import type { Bus } from './bus'
import { ControlSignal } from './control-signal'
import type { Floats, MemoryPart } from '../kernels'
import type { SendProgram } from './program'
import { levelQuantity, openQuantity } from './quantity'

/** What a mono signal in the middle gives to each side. */
const CENTRE = 0.7071067811865476

/** One send: takes a signal and gives it to a return. */
export class SendStrip {
  readonly #memory: MemoryPart
  readonly #level: ControlSignal
  readonly #on: ControlSignal
  /** Both gains in one, where both move. */
  readonly #both: Floats
  #program: SendProgram

  constructor(program: SendProgram, memory: MemoryPart) {
    this.#memory = memory
    this.#level = new ControlSignal(levelQuantity, memory)
    this.#on = new ControlSignal(openQuantity, memory)
    this.#both = memory.memory.scratch('both gains', BLOCK)
    this.#program = program
    this.load(program)
  }

  get id(): string {
    return this.#program.id
  }

  get tap(): 'pre' | 'post' {
    return this.#program.tap
  }

  load(program: SendProgram): void {
    this.#program = program
    this.#level.load(program.level)
    this.#on.load(program.on)
  }

  /** Gives its memory back: it is used no more. */
  dispose(): void {
    this.#memory.release()
  }

  reset(): void {
    this.#level.reset()
    this.#on.reset()
  }

  /** Computes its controls for a block. */
  run(block: BlockTime, moves: boolean): void {
    this.#level.run(block, moves)
    this.#on.run(block, moves)
  }

  /** Its gain, where that is the same for the whole block; NaN where it moves. */
  get steadyGain(): number {
    return this.#level.uniform && this.#on.uniform ? this.#level.value * this.#on.value : NaN
  }

  /** The bus of its return. */
  busOf(buses: readonly Bus[]): Bus | undefined {
    return buses[this.#program.to]
  }

  /** Computes its controls and adds a signal of one or two channels to the return's bus. */
  process(block: BlockTime, moves: boolean, channels: readonly Floats[], buses: readonly Bus[]): void {
    this.run(block, moves)
    this.add(block, channels, buses)
  }

  /** Adds a signal of one or two channels to the return's bus, its controls being computed. */
  add(block: BlockTime, channels: readonly Floats[], buses: readonly Bus[]): void {
    const bus = this.busOf(buses)
    if (!bus || this.#silent(this.#level) || this.#silent(this.#on)) return
    bus.fed = true
    const mono = channels.length === 1
    this.#add(channels[0]!, bus.left, block.frames, mono ? CENTRE : 1)
    this.#add(channels[channels.length - 1]!, bus.right, block.frames, mono ? CENTRE : 1)
  }

  #silent(signal: ControlSignal): boolean {
    return signal.uniform && signal.value === 0
  }

  #add(source: Floats, bus: Floats, frames: number, factor: number): void {
    const { kernels } = this.#memory
    const level = this.#level
    const on = this.#on
    if (level.uniform && on.uniform)
      return kernels.addScaled(bus.at, source.at, frames, level.value * on.value * factor)
    if (level.uniform)
      return kernels.addProduct(bus.at, source.at, on.values.at, frames, level.value * factor)
    if (on.uniform) return kernels.addProduct(bus.at, source.at, level.values.at, frames, on.value * factor)
    const both = this.#both
    kernels.copyScaled(both.at, level.values.at, frames, factor)
    kernels.multiply(both.at, on.values.at, frames)
    kernels.addProduct(bus.at, source.at, both.at, frames, 1)
  }
}

/** Takes changed sends over; those that stay keep their state, those that are gone give their memory back. */
export function loadSends(
  before: readonly SendStrip[],
  programs: readonly SendProgram[],
  memory: MemoryPart,
): readonly SendStrip[] {
  const after = programs.map((program) => {
    const kept = before.find((strip) => strip.id === program.id)
    kept?.load(program)
    return kept ?? new SendStrip(program, memory.memory.part())
  })
  for (const strip of before) if (!after.includes(strip)) strip.dispose()
  return after
}
