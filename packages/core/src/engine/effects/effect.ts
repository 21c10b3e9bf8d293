import type { BlockTime } from '../block'
import type { ControlSignal } from '../control-signal'

/** The parameters of an effect by name, already computed for the block. */
export type Params = Readonly<Record<string, ControlSignal>>

/** The inside of an effect: what it does with the sound, without wet and bypass. */
export interface Processor {
  /**
   * Samples for which something may still come out after silence came in, with the parameters of the last block.
   */
  readonly tail: number
  /** Processes a block in place. One array a channel. */
  process(block: BlockTime, channels: readonly Float32Array[]): void
  /** Forgets everything that still rings. */
  reset(): void
}

/** Makes the inside of an effect for so many channels. `mode` is the effect's choice that no line can move. */
export type MakeProcessor = (params: Params, mode: string, channels: 1 | 2) => Processor

/** A parameter at the start of the block. */
export function atStart(signal: ControlSignal): number {
  return signal.uniform ? signal.value : signal.values[0]!
}

/** A parameter at the end of the block. */
export function atEnd(signal: ControlSignal, frames: number): number {
  return signal.uniform ? signal.value : signal.values[frames - 1]!
}

/** Below this a ringing state counts as silence: 600 dB down, far above the slow denormal numbers. */
export function settled(state: number): number {
  return state < 1e-30 && state > -1e-30 ? 0 : state
}
