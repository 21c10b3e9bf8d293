import {
  refOfCheck,
  refOfMistake,
  verdictOfAll,
  type Assessment,
  type JudgedCheck,
  type Overrules,
} from '../brief'
import type { Verdict } from '../evidence'
import type { Address } from '../mix'
import type { Severity } from '../mistakes'
import type { AmountUnit, Part, Saying } from '../saying'
import { smallPictures, type SmallPictures } from './small-pictures'

/** In what something was measured: an amount, a value of a control, or a place in the song in ticks. */
export type MeasuredUnit = AmountUnit | 'value' | 'tick'

/** One number behind a verdict, with what was asked for. */
export interface Measured {
  /** Key of its name. */
  readonly name: string
  readonly value: number
  readonly unit: MeasuredUnit
  /** The lane of which it is a value; null for anything else. */
  readonly of: Address | null
  /** What was asked for, in the same unit; null on a side that is open. */
  readonly low: number | null
  readonly high: number | null
}

/** A check as the figures of a class need it. */
export interface CheckFigures {
  readonly check: string
  /** Empty in what was judged before the kind was kept. */
  readonly kind: string
  readonly verdict: Verdict
  readonly measured: readonly Measured[]
}

export interface TaskFigures {
  readonly task: string
  readonly checks: readonly CheckFigures[]
}

/** A mistake by its kind and place. */
export interface MistakeFigures {
  readonly kind: string
  readonly severity: Severity
  readonly lane: Address | null
  /** Ticks. */
  readonly from: number
  readonly to: number
}

/** What a hand-in comes to, for figures of a class and of a term. Small, plain data, kept as JSON beside it. */
export interface HandInFigures {
  readonly version: 1
  readonly tasks: readonly TaskFigures[]
  readonly mistakes: readonly MistakeFigures[]
  readonly pictures: SmallPictures
}

/** The figures of a hand-in as it was measured, without the teacher's word: that is added where they are read. */
export function figuresOf({ tasks, mistakes, pictures }: Assessment): HandInFigures {
  return {
    version: 1,
    tasks: tasks.map(({ task, checks }) => ({ task, checks: checks.map(checkFigures) })),
    mistakes: mistakes.map(({ kind, severity, place: { lane, from, to } }) => ({
      kind,
      severity,
      lane,
      from,
      to,
    })),
    pictures: smallPictures(Object.values(pictures ?? {}).flat()),
  }
}

const checkFigures = ({ check, kind = '', finding }: JudgedCheck): CheckFigures => ({
  check,
  kind,
  verdict: finding.verdict,
  measured: finding.figures.flatMap(({ name, value, wanted }) => {
    const number = numberOf(value)
    return number && Number.isFinite(number.value)
      ? [{ name, ...number, ...bandOf(wanted, number.unit) }]
      : []
  }),
})

/** A part as a number; null where it is none. */
function numberOf(part: Part): Pick<Measured, 'value' | 'unit' | 'of'> | null {
  if ('amount' in part) return { value: part.amount, unit: part.unit, of: null }
  if ('at' in part) return { value: part.at, unit: 'tick', of: null }
  if ('of' in part) return { value: part.value, unit: 'value', of: part.of }
  return null
}

/** What is asked for as numbers; both sides open where it is no number of the same kind. */
function bandOf(wanted: Saying | null, unit: MeasuredUnit): Pick<Measured, 'low' | 'high'> {
  const of = (name: string): number | null => {
    const part = wanted?.parts[name]
    const number = part && numberOf(part)
    return number?.unit === unit && Number.isFinite(number.value) ? number.value : null
  }
  switch (wanted?.key) {
    case 'wanted.least':
      return { low: of('value'), high: null }
    case 'wanted.most':
      return { low: null, high: of('value') }
    case 'wanted.between':
      return { low: of('low'), high: of('high') }
    case 'wanted.about':
    case 'wanted.is':
      return { low: of('value'), high: of('value') }
    default:
      return { low: null, high: null }
  }
}

/** Figures as the teacher lets them stand: verdicts that were overruled are the teacher's, mistakes that were are gone. */
export function overruledFigures(figures: HandInFigures, overrules: Overrules): HandInFigures {
  return {
    ...figures,
    tasks: figures.tasks.map(({ task, checks }) => ({
      task,
      checks: checks.map((c) => ({ ...c, verdict: overrules[refOfCheck(c)]?.verdict ?? c.verdict })),
    })),
    mistakes: figures.mistakes.filter(({ kind, lane, from, to }) => {
      const ref = refOfMistake({ kind, place: { lane, from, to } })
      return !overrules[ref]
    }),
  }
}

/** The verdict of a task by its checks; null without checks. */
export const verdictOfTask = ({ checks }: TaskFigures): Verdict | null =>
  verdictOfAll(checks.map((c) => c.verdict))
