/** What can happen, as pages are told it. */
export const HAPPENING_KINDS = [
  'handed in',
  /** A hand-in was taken away again by its student. */
  'withdrawn',
  /** Somebody asks to join a class. */
  'join',
  'measured',
  'given back',
  'taken back',
  'reply',
  'remark done',
  'help',
  'helped',
  'point',
  /** A student came to a bench, went to another task, or shows or hides the own line. */
  'presence',
  /** A work that is looked at has grown. */
  'work',
  /** The person came into a class or was taken out of one. */
  'class',
] as const
export type HappeningKind = (typeof HAPPENING_KINDS)[number]

/** What it happened to. */
export interface HappeningData {
  readonly assignment: string
  readonly handIn: string
  /** Whether a place was pointed at for this student alone. */
  readonly own?: boolean
  /** A place that was pointed at. */
  readonly lane?: string | null
  readonly from?: number
  readonly to?: number
}

/** Something that happened elsewhere. */
export interface HappeningView {
  readonly id: string
  readonly kind: HappeningKind
  readonly data: HappeningData
}

export interface HappeningsView {
  /** The id from which to ask on. */
  readonly newest: string
  readonly happenings: readonly HappeningView[]
}
