import { BLOCK } from './block'
import type { Bus } from './bus'

/**
 * What one thread's tracks have given to the buses, block after block, for another thread that goes on from there: memory that
 * both share, of some blocks that are written and read in turn.
 */
export interface Handover {
  /** {@link WRITTEN}, {@link READ} and {@link ENDED}. */
  readonly state: Int32Array
  /** Of each block: which buses were fed, a bit each, and for how many samples something still rings. */
  readonly notes: Int32Array
  /** Of each block: both sides of the main bus, then those of each return's. */
  readonly sounds: Float32Array
  /** Buses of a block. */
  readonly buses: number
}

/** Blocks that were written, and read; whether whoever reads wants no more. */
const [WRITTEN, READ, ENDED] = [0, 1, 2]
const NOTES = 2
/** Blocks that are there at a time: about three quarters of a second. */
const BLOCKS = 256
/** Blocks that are told of together: to wake somebody takes longer than to mix one. */
const TOGETHER = 16
/** Whoever has waited for the other thread for so long waits no more, in ms. */
const PATIENCE_MS = 20_000

/** The other thread has come to nothing. */
export class HandoverLost extends Error {
  constructor() {
    super('A thread that plays ahead has stopped.')
  }
}

/** Memory for a mix with so many returns. @param blocks that are there at a time */
export function makeHandover(returns: number, blocks = BLOCKS): Handover {
  const buses = returns + 1
  return {
    state: new Int32Array(new SharedArrayBuffer(12)),
    notes: new Int32Array(new SharedArrayBuffer(blocks * NOTES * 4)),
    sounds: new Float32Array(new SharedArrayBuffer(blocks * buses * 2 * BLOCK * 4)),
    buses,
  }
}

/** Waits until a count of blocks moves on from `count`. @throws HandoverLost */
function waitFor(state: Int32Array, which: number, count: number): void {
  if (Atomics.wait(state, which, count, PATIENCE_MS) === 'timed-out') throw new HandoverLost()
}

/** One end of a handover. */
class End {
  /** Blocks that have gone through here. */
  protected count = 0
  /** Blocks that are there at a time. */
  protected readonly blocks: number
  /** Each side of each bus of each block: made once, since nothing is to be made while it plays. */
  readonly #sides: readonly Float32Array[]

  constructor(protected readonly memory: Handover) {
    const { notes, sounds } = memory
    this.blocks = notes.length / NOTES
    this.#sides = Array.from({ length: sounds.length / BLOCK }, (_, i) =>
      sounds.subarray(i * BLOCK, (i + 1) * BLOCK),
    )
  }

  /** Tells the other end how many blocks went through here. */
  protected tell(which: number): void {
    Atomics.store(this.memory.state, which, this.count)
    Atomics.notify(this.memory.state, which)
  }

  /** Where a side of a bus lies in the block that goes through now. */
  protected side(bus: number, side: number): Float32Array {
    return this.#sides[((this.count % this.blocks) * this.memory.buses + bus) * 2 + side]!
  }

  /** Where the notes of that block lie. */
  protected get note(): number {
    return (this.count % this.blocks) * NOTES
  }
}

/** The end of the thread that plays the first tracks. */
export class HandoverWriter extends End {
  /** Whether nobody wants any more. */
  get isOver(): boolean {
    return Atomics.load(this.memory.state, ENDED) !== 0
  }

  /**
   * Hands a block over; waits where there is no room for it.
   * @param all the main bus and those of the returns
   * @param ringing samples for which something still rings
   * @throws HandoverLost
   */
  give(all: readonly Bus[], ringing: number): void {
    const { state, notes } = this.memory
    for (;;) {
      const read = Atomics.load(state, READ)
      if (this.count - read < this.blocks) break
      waitFor(state, READ, read)
    }
    if (this.isOver) return
    let fed = 0
    for (let b = 0; b < all.length; b++) {
      const bus = all[b]!
      if (!bus.fed) continue
      fed |= 1 << b
      this.side(b, 0).set(bus.left.view)
      this.side(b, 1).set(bus.right.view)
    }
    notes[this.note] = fed
    notes[this.note + 1] = ringing
    this.count++
    if (this.count % TOGETHER === 0) this.tell(WRITTEN)
  }

  /** Says that there are no more. */
  end(): void {
    this.tell(WRITTEN)
  }
}

/** The end of the thread that plays the other tracks, returns and the main output. */
export class HandoverReader extends End {
  /** Samples for which something of the tracks before still rings. */
  ringing = 0

  /**
   * Puts what was handed over on empty buses; waits for it where it is not there yet.
   * @param all the main bus and those of the returns
   * @throws HandoverLost
   */
  take(all: readonly Bus[]): void {
    const { state, notes } = this.memory
    for (;;) {
      const written = Atomics.load(state, WRITTEN)
      if (this.count < written) break
      waitFor(state, WRITTEN, written)
    }
    const fed = notes[this.note]!
    this.ringing = notes[this.note + 1]!
    for (let b = 0; b < all.length; b++) {
      if (!(fed & (1 << b))) continue
      const bus = all[b]!
      bus.fed = true
      bus.left.view.set(this.side(b, 0))
      bus.right.view.set(this.side(b, 1))
    }
    this.count++
    if (this.count % TOGETHER === 0) this.tell(READ)
  }

  /** Says that no more is wanted. */
  end(): void {
    Atomics.store(this.memory.state, ENDED, 1)
    // more than there can be: whoever is about to wait for room finds that it has moved on
    this.count = 0x7fff_ffff
    this.tell(READ)
  }
}
