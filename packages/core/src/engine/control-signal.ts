import { LineCursor } from '../envelope'
import type { BlockTime } from './block'
import { BLOCK } from './block'
import type { Floats, Kernels, MemoryPart } from '../kernels'
import type { ControlProgram } from './program'
import type { Quantity } from './quantity'

/** A jump, in a line or by hand, becomes a ramp of this many samples: 5 ms. */
export const RAMP = 220
/** Where a control whose steps are not even goes fast, its line is asked again after so many samples … */
const CLOSELY = 32
/** … fast being more than such a share of itself in a block: a straight run is then off by 0.002 dB at most. */
const STRAYING = 0.04

/**
 * The values of one control, sample by sample. It follows its line exactly at the line's points and at block
 * edges, more closely where it goes fast, and runs straight between them. Whatever jumps (a line, a setting changed by
 * hand, a line switched off) leaves a difference behind that melts away within 5 ms, so nothing ever clicks.
 */
export class ControlSignal {
  /** Whether the whole block has the value `value`. */
  uniform = true
  /** Whether it runs straight through the block: `value` at its first sample, `step` more at each one after. */
  straight = true
  value = 0
  step = 0

  #cursor: LineCursor | null = null
  #setting = 0
  /** The target at the end of the block before; NaN when unknown. */
  #last = NaN
  /** The line that was followed in the block before, and the tick it was followed to. */
  #followed: LineCursor | null = null
  #until = NaN
  #residue = 0
  #residueLeft = 0

  /** Whether it rests at its setting, so that a block without a line leaves everything as it is. */
  #rests = false
  readonly #kernels: Kernels
  readonly #values: Floats
  /** Whether `#values` hold what the last block was. */
  #written = false

  constructor(
    private readonly quantity: Quantity,
    memory: MemoryPart,
  ) {
    this.#values = memory.floats(BLOCK)
    this.#kernels = memory.kernels
  }

  /** Values of the block, sample by sample. Most who need a control need only how it runs: they are written on asking. */
  get values(): Floats {
    if (!this.#written) {
      this.#kernels.ramp(this.#values.at, 0, BLOCK, this.value, this.step, false)
      this.#written = true
    }
    return this.#values
  }

  /** Value at the first sample of the block. */
  get first(): number {
    return this.at(0)
  }

  /** Value at sample `n` of the block. */
  at(n: number): number {
    return this.straight ? this.value + this.step * n : this.#values.view[n]!
  }

  /** Value at the last sample of a block of so many. */
  last(frames: number): number {
    return this.at(frames - 1)
  }

  /** Whether every block to come is as the last one was. `moves` as for {@link run}. */
  rests(moves: boolean): boolean {
    return this.#rests && !(moves && this.#cursor)
  }

  load(program: ControlProgram): void {
    this.#setting = this.quantity.ofValue(program.setting)
    this.#rests = false
    if (this.#cursor?.line !== program.line) {
      this.#cursor = program.line ? new LineCursor(program.line) : null
    }
  }

  /** Forgets the past: after a change of place, or while nothing sounds, the next block starts on the line. */
  reset(): void {
    this.#rests = false
    this.#last = NaN
    this.#followed = null
    this.#residue = 0
    this.#residueLeft = 0
  }

  /** Computes the values of a block. `moves` off: the setting, as though there were no line. */
  run(block: BlockTime, moves: boolean): void {
    const cursor = moves ? this.#cursor : null
    if (this.#rests && !cursor) return
    this.#rests = false
    const goesOn = cursor !== null && cursor === this.#followed && block.tickStart === this.#until
    const start = goesOn
      ? this.#last
      : cursor
        ? this.quantity.ofTravel(cursor.travelAt(block.tickStart))
        : this.#setting
    this.#followed = cursor
    this.#until = block.tickEnd
    const off = this.#last - start
    if (off > 1e-9 || off < -1e-9) this.#melt(off)
    if (cursor) this.#follow(cursor, block, start)
    else {
      this.#last = start
      if (this.#residueLeft === 0) {
        this.#hold(start)
        this.#rests = true
      } else {
        this.#bend()
        this.#segment(0, block.frames, start, start)
      }
    }
  }

  #hold(value: number): void {
    this.uniform = true
    this.#runStraight(value, 0)
  }

  #runStraight(value: number, step: number): void {
    this.straight = true
    this.value = value
    this.step = step
    this.#written = false
  }

  /** It does not run straight: whoever called this writes the values of the block. */
  #bend(): void {
    this.uniform = false
    this.straight = false
    this.#written = true
  }

  #follow(cursor: LineCursor, block: BlockTime, start: number): void {
    const { frames, tickStart, tickEnd } = block
    const { ticks, travels } = cursor.line
    let i = cursor.seek(tickStart)
    if (i + 1 >= ticks.length || ticks[i + 1]! > tickEnd) {
      const end = this.quantity.ofTravel(cursor.travelAt(tickEnd))
      this.#last = end
      if (this.#residueLeft > 0 || this.#strays(start, end, frames)) {
        this.#bend()
        return this.#stretch(cursor, block, 0, frames, start, end)
      }
      this.uniform = end === start
      return this.#runStraight(start, (end - start) / frames)
    }
    this.#bend()
    const framesPerTick = frames / (tickEnd - tickStart)
    let from = 0
    let value = start
    while (i + 1 < ticks.length && ticks[i + 1]! <= tickEnd) {
      const to = Math.min(frames, Math.ceil((ticks[i + 1]! - tickStart) * framesPerTick))
      const reached = this.quantity.ofTravel(travels[i + 1]!)
      const arrives = cursor.jumpsTo(i + 1) ? this.quantity.ofTravel(travels[i]!) : reached
      this.#stretch(cursor, block, from, to, value, arrives)
      if (arrives !== reached) this.#melt(arrives - reached)
      value = reached
      from = to
      i++
    }
    const end = this.quantity.ofTravel(cursor.travelAt(tickEnd))
    this.#stretch(cursor, block, from, frames, value, end)
    this.#last = end
  }

  /** Whether what runs straight between two values would leave the line. */
  #strays(start: number, end: number, frames: number): boolean {
    const change = end > start ? end - start : start - end
    return frames > CLOSELY && !this.quantity.even && change > STRAYING * (end > start ? end : start)
  }

  /** Writes a stretch of the block in which the line has no point. */
  #stretch(cursor: LineCursor, block: BlockTime, from: number, to: number, start: number, end: number): void {
    if (!this.#strays(start, end, to - from)) return this.#segment(from, to, start, end)
    const { frames, tickStart, tickEnd } = block
    let value = start
    let at = from
    for (let next = from + CLOSELY; next < to; next += CLOSELY) {
      const tick = tickStart + ((tickEnd - tickStart) * next) / frames
      const reached = this.quantity.ofTravel(cursor.travelAt(tick))
      this.#segment(at, next, value, reached)
      value = reached
      at = next
    }
    this.#segment(at, to, value, end)
  }

  #melt(difference: number): void {
    this.#residue += difference
    this.#residueLeft = RAMP
  }

  /** Writes a straight run of the target plus what is left of the last jump. */
  #segment(from: number, to: number, start: number, end: number): void {
    if (to <= from) return
    const { at } = this.#values
    this.#kernels.ramp(at, from, to, start, (end - start) / (to - from), false)
    if (this.#residueLeft === 0) return
    const melting = Math.min(to - from, this.#residueLeft)
    const slope = this.#residue / this.#residueLeft
    this.#kernels.ramp(at, from, from + melting, this.#residue, -slope, true)
    this.#residueLeft -= melting
    this.#residue = this.#residueLeft === 0 ? 0 : this.#residue - slope * melting
  }
}
