import type { BlockTime } from '../engine/block'
import type { ControlSignal } from '../engine/control-signal'
import type { Floats, MemoryPart } from '../kernels'

/** The parameters of an effect by name, already computed for the block. */
export type Params = Readonly<Record<string, ControlSignal>>

/** The inside of an effect: what it does with the sound, without wet and bypass. */
export interface Processor {
  /**
   * Samples for which something may still come out after silence came in, with the parameters of the last block.
   */
  readonly tail: number
  /** Processes a block in place. One piece of memory a channel. */
  process(block: BlockTime, channels: readonly Floats[]): void
  /** Forgets everything that still rings. */
  reset(): void
}

/**
 * Makes the inside of an effect for so many channels, working in a part of the engine's memory that is given back with
 * the effect. `mode` is the effect's choice that no line can move.
 */
export type MakeProcessor = (params: Params, mode: string, channels: 1 | 2, memory: MemoryPart) => Processor

/** A parameter at the start of the block. */
export function atStart(signal: ControlSignal): number {
  return signal.first
}

/** A parameter at the end of the block. */
export function atEnd(signal: ControlSignal, frames: number): number {
  return signal.last(frames)
}

/** What moves by less than this in a block, a semitone where it is a frequency, goes slowly. */
const SLOW = 1.06

/** Whether a parameter that is never below 0 goes straight and slowly through the block: what is made of it may as well. */
export function isCalm(signal: ControlSignal, frames: number): boolean {
  if (signal.uniform) return true
  const first = signal.first
  const last = signal.last(frames)
  return signal.straight && last < first * SLOW && first < last * SLOW
}
