import type { Address } from '../mix'

/** Units of amounts in a finding. What is loudness to a meter is dB to a beginner: LU and LUFS stand in figures alone. */
export type AmountUnit =
  | 'dB'
  | 'LU'
  | 'LUFS'
  | 'dBTP'
  | '%'
  | 'octaves'
  | 'bars'
  | 'beats'
  | 'seconds'
  | 'points'

/** A value that words are made of. Places are in ticks; tracks, returns and lanes are named by who says it. */
export type Part =
  | { readonly at: number }
  /** From one tick to another. */
  | { readonly span: readonly [number, number] }
  | { readonly lane: Address }
  | { readonly lanes: readonly Address[] }
  | { readonly track: string }
  /** A value of a control, in its own unit. */
  | { readonly value: number; readonly of: Address }
  | { readonly amount: number; readonly unit: AmountUnit; readonly digits?: number }
  /** How many: one, or several. */
  | { readonly count: number }
  /** Beats that something is off, below 0 for early. */
  | { readonly late: number }
  /** A word by its key. */
  | { readonly word: string }
  /** A name that a person gave. */
  | { readonly name: string }
  /** Something as it was said by an earlier version. */
  | { readonly prose: string }

/** What is to be said: the key of a sentence, and its values. Who says it, and in which language, is another's. */
export interface Saying {
  readonly key: string
  readonly parts: Readonly<Record<string, Part>>
}
