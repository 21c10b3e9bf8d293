import { BLOCK } from './block'
import type { Floats, MemoryPart } from '../kernels'

/** Where sounds are added up for a block. */
export class Bus {
  readonly left: Floats
  readonly right: Floats
  /** Both sides, for what works on any count of channels. */
  readonly channels: readonly [Floats, Floats]
  /** Whether anything was added in this block. */
  fed = false

  constructor(memory: MemoryPart) {
    this.left = memory.floats(BLOCK)
    this.right = memory.floats(BLOCK)
    this.channels = [this.left, this.right]
  }

  clear(frames: number): void {
    if (!this.fed) return
    this.left.view.fill(0, 0, frames)
    this.right.view.fill(0, 0, frames)
    this.fed = false
  }
}
