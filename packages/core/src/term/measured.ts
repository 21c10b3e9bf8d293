import type { Counted } from './commonest'
import type { Address } from '../mix'
import type { Measured, MeasuredUnit } from './figures'

/** What was measured in one hand-in. */
export interface MeasuredAt {
  readonly handIn: string
  readonly student: string
  readonly value: number
  /** Whether the check was met. */
  readonly met: boolean
}

/** One number that a check measures, of everybody who handed in. */
export interface Strip {
  readonly check: string
  readonly kind: string
  /** Key of its name. */
  readonly name: string
  readonly unit: MeasuredUnit
  /** The lane of which it is a value; null for anything else. */
  readonly of: Address | null
  /** What was asked for; null on a side that is open. */
  readonly low: number | null
  readonly high: number | null
  readonly values: readonly MeasuredAt[]
  /** The middle value. */
  readonly middle: number
}

/**
 * What was measured for one task, number by number in the order of its checks.
 * @param handIns of one assignment, the newest of each student
 */
export function stripsOf(handIns: readonly Counted[], task: string): Strip[] {
  const strips = new Map<string, { about: Pick<Strip, 'check' | 'kind'> & Measured; values: MeasuredAt[] }>()
  for (const { handIn, student, figures } of handIns)
    for (const { check, kind, verdict, measured } of figures.tasks.find((t) => t.task === task)?.checks ?? [])
      for (const one of measured) {
        const key = `${check}/${one.name}/${one.unit}`
        const strip = strips.get(key) ?? { about: { check, kind, ...one }, values: [] }
        strips.set(key, strip)
        strip.values.push({ handIn, student, value: one.value, met: verdict === 'met' })
      }
  return [...strips.values()].map(({ about: { check, kind, name, unit, of, low, high }, values }) => ({
    check,
    kind,
    name,
    unit,
    of,
    low,
    high,
    values,
    middle: median(values.map((v) => v.value)),
  }))
}

/** The middle value of a list that is not empty. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = (sorted.length - 1) / 2
  return (sorted[Math.floor(half)]! + sorted[Math.ceil(half)]!) / 2
}
