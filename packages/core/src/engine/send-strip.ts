import type { BlockTime } from './block'
import type { Bus } from './bus'
import { ControlSignal } from './control-signal'
import type { SendProgram } from './program'
import { levelQuantity, openQuantity } from './quantity'

/** What a mono signal in the middle gives to each side. */
const CENTRE = 0.7071067811865476

/** One send: takes a signal and gives it to a return. */
export class SendStrip {
  readonly #level = new ControlSignal(levelQuantity)
  readonly #on = new ControlSignal(openQuantity)
  #program: SendProgram

  constructor(program: SendProgram) {
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

  reset(): void {
    this.#level.reset()
    this.#on.reset()
  }

  /** Adds a signal of one or two channels to the return's bus. */
  process(block: BlockTime, moves: boolean, channels: readonly Float32Array[], buses: readonly Bus[]): void {
    const bus = buses[this.#program.to]
    this.#level.run(block, moves)
    this.#on.run(block, moves)
    if (!bus || this.#silent(this.#level) || this.#silent(this.#on)) return
    bus.fed = true
    const mono = channels.length === 1
    this.#add(channels[0]!, bus.left, block.frames, mono ? CENTRE : 1)
    this.#add(channels[channels.length - 1]!, bus.right, block.frames, mono ? CENTRE : 1)
  }

  #silent(signal: ControlSignal): boolean {
    return signal.uniform && signal.value === 0
  }

  #add(source: Float32Array, bus: Float32Array, frames: number, factor: number): void {
    const level = this.#level
    const on = this.#on
    if (level.uniform && on.uniform) {
      const gain = level.value * on.value * factor
      for (let n = 0; n < frames; n++) bus[n] = bus[n]! + source[n]! * gain
      return
    }
    for (let n = 0; n < frames; n++) {
      const gain = (level.uniform ? level.value : level.values[n]!) * (on.uniform ? on.value : on.values[n]!)
      bus[n] = bus[n]! + source[n]! * gain * factor
    }
  }
}

/** Takes changed sends over; those that stay keep their state. */
export function loadSends(
  before: readonly SendStrip[],
  programs: readonly SendProgram[],
): readonly SendStrip[] {
  return programs.map((program) => {
    const kept = before.find((strip) => strip.id === program.id)
    kept?.load(program)
    return kept ?? new SendStrip(program)
  })
}
