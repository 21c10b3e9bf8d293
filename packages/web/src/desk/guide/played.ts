import type { LineSpan } from '@rudlo/core/envelope'

/** So much of a span must have been heard before its checks answer. */
const ENOUGH = 0.8
/** A step further than this is a jump: what lies between was not heard, in ticks. */
const LONGEST_STEP = 2000
const CELLS = 64

/** Which part of a span was heard since something changed. */
export class Played {
  readonly #cells = new Uint8Array(CELLS)
  #last: number | null = null

  constructor(readonly span: LineSpan) {}

  /** The song is heard at a tick now. @returns whether enough of the span was heard by now */
  at(tick: number): boolean {
    const from =
      this.#last !== null && tick >= this.#last && tick - this.#last < LONGEST_STEP ? this.#last : tick
    this.#last = tick
    const cell = (t: number) =>
      Math.floor(((t - this.span.from) / Math.max(1, this.span.to - this.span.from)) * CELLS)
    for (let c = Math.max(0, cell(from)); c <= Math.min(CELLS - 1, cell(tick)); c++) this.#cells[c] = 1
    return this.share >= ENOUGH
  }

  get share(): number {
    return this.#cells.reduce((a, b) => a + b, 0) / CELLS
  }
}
