import type { MemoryPart, Shorts } from '../kernels'

/** Samples of a page: about 190 ms. Copying one is short beside a block. */
const PAGE = 8192
const SHIFT = 13

/** Samples of a recording that have to be there before sample `last` is read: whole pages are taken. */
export const neededFor = (last: number, frames: number): number =>
  Math.min(frames, ((last >> SHIFT) + 1) << SHIFT)

const pagesOf = new WeakMap<Int16Array, readonly Int16Array[]>()

/** A recording in pages: views of it, made once, so that nothing is made while it plays. */
function paged(samples: Int16Array): readonly Int16Array[] {
  let pages = pagesOf.get(samples)
  if (!pages) {
    const count = Math.ceil(samples.length / PAGE)
    pages = Array.from({ length: count }, (_, i) => samples.subarray(i * PAGE, (i + 1) * PAGE))
    pagesOf.set(samples, pages)
  }
  return pages
}

/** Cuts recordings into pages before they are played. */
export function preparePages(recordings: Iterable<{ readonly channels: readonly Int16Array[] }>): void {
  for (const { channels } of recordings) for (const samples of channels) paged(samples)
}

/**
 * Brings a recording, which lies in memory that all threads share, into the engine's own memory a page at a time. One
 * of these for every channel that is read.
 */
export class SamplePages {
  readonly #page: Shorts
  #samples: Int16Array | null = null
  #number = -1

  constructor(private readonly memory: MemoryPart) {
    this.#page = memory.shorts(PAGE)
  }

  /** Writes `frames` samples from `first` on, each times `gain`, to address `at`; adds them if `sum`. */
  read(samples: Int16Array, first: number, frames: number, gain: number, at: number, sum: boolean): void {
    const { kernels } = this.memory
    for (let done = 0; done < frames;) {
      const number = (first + done) >> SHIFT
      const into = (first + done) & (PAGE - 1)
      const count = Math.min(frames - done, PAGE - into)
      if (number !== this.#number || samples !== this.#samples) this.#turnTo(samples, number)
      const from = this.#page.at + into * 2
      const to = at + done * 4
      if (sum) kernels.addSamples(to, from, count, gain)
      else kernels.copySamples(to, from, count, gain)
      done += count
    }
  }

  #turnTo(samples: Int16Array, number: number): void {
    this.#page.view.set(paged(samples)[number]!)
    this.#samples = samples
    this.#number = number
  }
}
