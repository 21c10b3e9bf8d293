import { say, type CheckPlace, type Evidence, type Finding, type Verdict } from '../evidence'
import type { Address, Mix } from '../mix'
import type { SongVersion } from '../song'

/** One thing that a teacher sets about a check. */
export type Field =
  | { readonly type: 'lane'; readonly label: string }
  | { readonly type: 'lanes'; readonly label: string }
  | { readonly type: 'track'; readonly label: string }
  | { readonly type: 'place'; readonly label: string }
  | {
      readonly type: 'number'
      readonly label: string
      readonly unit: string
      readonly min: number
      readonly max: number
      readonly initial: number
    }
  | {
      readonly type: 'choice'
      readonly label: string
      readonly options: readonly (readonly [string, string])[]
    }

export type FieldValue = string | number | readonly string[]
export type Values = Readonly<Record<string, FieldValue>>

type ValueOf<F extends Field> = F['type'] extends 'number' | 'place'
  ? number
  : F['type'] extends 'lanes'
    ? readonly string[]
    : string

type Fields = Readonly<Record<string, Field>>
type Typed<F extends Fields> = { readonly [K in keyof F]: ValueOf<F[K]> }

/** What a fresh check is set up from. */
export interface Setup {
  readonly song: SongVersion
  readonly mix: Mix
  readonly lane: Address
  readonly from: number
  readonly to: number
}

/** What kind of thing a check looks at. Each is one module of `kinds`. */
export interface CheckKind<F extends Fields = Fields> {
  readonly kind: string
  readonly name: string
  /** What it asks, in one sentence for the teacher. */
  readonly about: string
  /** Whether lines are enough, or the sound must be rendered. */
  readonly needs: 'lines' | 'sound'
  readonly fields: F
  /** Looks and judges. Values are checked before. */
  judge(evidence: Evidence, values: Typed<F>): Finding
  /** What cannot be met, in one sentence; nothing where it can. */
  impossible?(values: Typed<F>, song: SongVersion, mix: Mix): string | null
}

/** Declares a kind of check; the types of its values follow from its fields. */
export function checkKind<const F extends Fields>(kind: CheckKind<F>): CheckKind {
  return kind
}

/** A check of a task: its kind and what was set about it. */
export interface Check {
  readonly id: string
  readonly kind: string
  readonly values: Values
}

export const lane = (label = 'Lane') => ({ type: 'lane', label }) as const
export const lanes = (label = 'Lanes') => ({ type: 'lanes', label }) as const
export const track = (label = 'Track') => ({ type: 'track', label }) as const
export const place = (label: string) => ({ type: 'place', label }) as const
export const number = (label: string, unit: string, initial: number, min: number, max: number) =>
  ({ type: 'number', label, unit, initial, min, max }) as const
export const choice = <const O extends readonly (readonly [string, string])[]>(label: string, options: O) =>
  ({ type: 'choice', label, options }) as const

/** What a check that needs the sound finds before there is any. */
export const unheard = (place: CheckPlace): Finding => ({
  verdict: 'not yet',
  says: say('check.unheard'),
  place,
  figures: [],
})

/** "Nearly" reaches so many times as far as "met". */
const CLOSE = 2.5

/** Met within the tolerance, close within two and a half of it. */
export function verdictOf(distance: number, tolerance: number): Verdict {
  const off = Math.abs(distance)
  if (off <= tolerance + 1e-9) return 'met'
  return off <= tolerance * CLOSE ? 'close' : 'not yet'
}

const ORDER: readonly Verdict[] = ['not yet', 'close', 'met']

/** The weakest of several verdicts. */
export const weakest = (...verdicts: readonly Verdict[]): Verdict =>
  ORDER[Math.min(...verdicts.map((v) => ORDER.indexOf(v)))]!
