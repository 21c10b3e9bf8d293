import { instantiateKernels, type Kernels } from './kernels'

const PAGE = 65_536
const ALIGNED = 16

/** Samples in the engine's memory: the kernels work on the address, everything else on the view. */
export interface Floats {
  readonly at: number
  /** Renewed when the memory grows: never kept beside this object. */
  readonly view: Float32Array
}

/** Doubles in the engine's memory. */
export interface Doubles {
  readonly at: number
  readonly view: Float64Array
}

/** Samples of 16 bit in the engine's memory. */
export interface Shorts {
  readonly at: number
  readonly view: Int16Array
}

type Numbers = Float32Array | Float64Array | Int16Array

/** One piece of memory, with the view that JavaScript has of it. */
class Piece<View extends Numbers> {
  view: View

  constructor(
    readonly at: number,
    readonly bytes: number,
    private readonly make: (memory: ArrayBuffer) => View,
    memory: ArrayBuffer,
  ) {
    this.view = make(memory)
  }

  renew(memory: ArrayBuffer): void {
    this.view = this.make(memory)
  }
}

/**
 * The memory that one engine works in, and the kernels that work on it. Memory is given out in parts, so that whoever
 * comes and goes while it plays (a track, an effect) gives back all of its own at once. Nothing is given out inside the
 * audio callback.
 */
export class EngineMemory {
  readonly kernels: Kernels = instantiateKernels()
  readonly #free = new Map<number, number[]>()
  readonly #pieces = new Set<Piece<Numbers>>()
  readonly #scratch = new Map<string, Floats>()
  #end = this.kernels.heapStart()

  /** A part of its own for somebody who may go before the engine does. */
  part(): MemoryPart {
    return new MemoryPart(this)
  }

  /**
   * Samples for passing use, shared by all who ask for the same name: nothing stays in them from one block, or one
   * track, to the next. So the samples that are being worked on stay few, and in the fastest memory.
   */
  scratch(name: string, count: number): Floats {
    const known = this.#scratch.get(name)
    if (known) return known
    const made = this.part().floats(count)
    this.#scratch.set(name, made)
    return made
  }

  /** Takes a piece, filled with zeros. */
  take<View extends Numbers>(bytes: number, make: (memory: ArrayBuffer, at: number) => View): Piece<View> {
    const size = Math.ceil(bytes / ALIGNED) * ALIGNED
    const known = this.#free.get(size)?.pop()
    const at = known ?? this.#end
    if (known === undefined) {
      this.#end += size
      this.#reach(this.#end)
    }
    const { buffer } = this.kernels.memory
    const piece = new Piece<View>(at, size, (memory) => make(memory, at), buffer)
    piece.view.fill(0)
    this.#pieces.add(piece)
    return piece
  }

  give(piece: Piece<Numbers>): void {
    this.#pieces.delete(piece)
    const free = this.#free.get(piece.bytes)
    if (free) free.push(piece.at)
    else this.#free.set(piece.bytes, [piece.at])
  }

  /** Grows until an address lies inside: every view then looks at the new memory. */
  #reach(end: number): void {
    const { memory } = this.kernels
    const missing = end - memory.buffer.byteLength
    if (missing <= 0) return
    memory.grow(Math.max(Math.ceil(missing / PAGE), memory.buffer.byteLength / PAGE / 2))
    for (const piece of this.#pieces) piece.renew(memory.buffer)
  }
}

/** What one owner has taken of an engine's memory. */
export class MemoryPart {
  readonly kernels: Kernels
  readonly #taken: Piece<Numbers>[] = []

  constructor(readonly memory: EngineMemory) {
    this.kernels = memory.kernels
  }

  floats(count: number): Floats {
    return this.#keep(this.memory.take(count * 4, (memory, at) => new Float32Array(memory, at, count)))
  }

  doubles(count: number): Doubles {
    return this.#keep(this.memory.take(count * 8, (memory, at) => new Float64Array(memory, at, count)))
  }

  shorts(count: number): Shorts {
    return this.#keep(this.memory.take(count * 2, (memory, at) => new Int16Array(memory, at, count)))
  }

  /** Gives everything back. Nothing that was taken may be used any more. */
  release(): void {
    for (const piece of this.#taken) this.memory.give(piece)
    this.#taken.length = 0
  }

  #keep<View extends Numbers>(piece: Piece<View>): Piece<View> {
    this.#taken.push(piece)
    return piece
  }
}
