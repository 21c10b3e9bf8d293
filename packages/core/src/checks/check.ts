import { words } from '@rudlo/words'
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
      readonly unit: FieldUnit
      readonly min: number
      readonly max: number
      readonly initial: number
    }
  | {
      readonly type: 'choice'
      readonly label: string
      readonly values: readonly string[]
      /** How one of them is called. */
      textOf(value: string): string
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
export interface CheckRules<F extends Fields = Fields> {
  readonly kind: string
  /** Whether lines are enough, or the sound must be rendered. */
  readonly needs: 'lines' | 'sound'
  readonly fields: F
  /** Looks and judges. Values are checked before. */
  judge(evidence: Evidence, values: Typed<F>): Finding
  /** What cannot be met, in one sentence; nothing where it can. */
  impossible?(values: Typed<F>, song: SongVersion, mix: Mix): string | null
}

/** A kind of check with what people call it: the words are those of the language that is spoken when they are read. */
export interface CheckKind extends CheckRules {
  readonly name: string
  /** What it asks, in one sentence for the teacher. */
  readonly about: string
}

/** Declares a kind of check; the types of its values follow from its fields. */
export function checkKind<const F extends Fields>(rules: CheckRules<F>): CheckKind {
  const key = `check.${rules.kind.replaceAll(' ', '-')}`
  const told: CheckRules = rules
  return {
    ...told,
    get name() {
      return words(`${key}.name`)
    },
    get about() {
      return words(`${key}.about`)
    },
  }
}

/** A check of a task: its kind and what was set about it. */
export interface Check {
  readonly id: string
  readonly kind: string
  readonly values: Values
}

/** What a number is counted in: a symbol, a word, or what depends on the lane and the other values. */
export type FieldUnit =
  | 'dB'
  | 'LU'
  | 'LUFS'
  | 'dBTP'
  | '%'
  | 'bars'
  | 'beats'
  | 'points'
  | 'of-way'
  | 'own'
  | 'same'
  | 'lu-or-octave'
  | 'db-or-percent'

/** A field of a type, called as the catalog says under its key. */
const field = <T extends string>(type: T, key: string) => ({
  type,
  get label() {
    return words(`field.${key}`)
  },
})

export const lane = (key = 'lane') => field('lane', key)
export const lanes = (key = 'lanes') => field('lanes', key)
export const track = (key = 'track') => field('track', key)
export const place = (key: string) => field('place', key)
export const number = (key: string, unit: FieldUnit, initial: number, min: number, max: number) =>
  Object.assign(field('number', key), { unit, initial, min, max })
/** One of several. @param textOf how one of them is called; as the catalog says, if missing */
export const choice = (
  key: string,
  values: readonly string[],
  textOf = (value: string) => words(`choice.${key}.${value.replaceAll(' ', '-')}`),
) => Object.assign(field('choice', key), { values, textOf })

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
