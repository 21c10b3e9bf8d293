/** Something that was made. */
export interface Made {
  readonly id: string
}

/** How many there were. */
export interface Count {
  readonly count: number
}

/** A revision that was kept. */
export interface Kept {
  readonly revision: number
}
