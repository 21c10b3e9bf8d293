import { BLOCK } from './block'

/** Where sounds are added up for a block. */
export class Bus {
  readonly left = new Float32Array(BLOCK)
  readonly right = new Float32Array(BLOCK)
  /** Both sides, for what works on any count of channels. */
  readonly channels = [this.left, this.right] as const
  /** Whether anything was added in this block. */
  fed = false

  clear(frames: number): void {
    if (!this.fed) return
    this.left.fill(0, 0, frames)
    this.right.fill(0, 0, frames)
    this.fed = false
  }
}
