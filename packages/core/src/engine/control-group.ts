import type { BlockTime } from './block'
import type { ControlSignal } from './control-signal'

/**
 * The controls of one owner, computed together. Most controls of a mix rest most of the time: those that do are not even
 * visited, until one of them is given something new and the owner says so.
 */
export class ControlGroup {
  readonly #awake: ControlSignal[] = []
  #asked = true
  #moves = true

  constructor(private readonly all: readonly ControlSignal[]) {}

  /** Some of them may move again: they were given something new. */
  wake(): void {
    this.#asked = true
  }

  /** Forgets the past of all. */
  reset(): void {
    for (let i = 0; i < this.all.length; i++) this.all[i]!.reset()
    this.#asked = true
  }

  /** Computes the values of a block. */
  run(block: BlockTime, moves: boolean): void {
    if (this.#asked || moves !== this.#moves) {
      this.#asked = false
      this.#moves = moves
      this.#awake.length = 0
      for (let i = 0; i < this.all.length; i++) this.#awake.push(this.all[i]!)
    }
    let left = 0
    for (let i = 0; i < this.#awake.length; i++) {
      const control = this.#awake[i]!
      control.run(block, moves)
      if (!control.rests(moves)) this.#awake[left++] = control
    }
    if (left < this.#awake.length) this.#awake.length = left
  }
}
