/** A column of a table. */
export interface Column<R> {
  readonly key: string
  /** What stands over it; nothing over what can be done with a row. */
  readonly title: string
  /** What it is sorted by and searched in; missing where it is neither. */
  readonly value?: (row: R) => string | number
  /** Figures stand under each other. */
  readonly end?: boolean
  readonly width?: number
}
