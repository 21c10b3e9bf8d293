import type { HandInFigures } from './figures'

/** A kind of mistake over the term of one student. */
export interface MistakeOverTerm {
  readonly kind: string
  /** Of the assignments that were handed in, oldest first: whether it was in the newest version of each. */
  readonly in: readonly boolean[]
  /** Made before, and not in the last two that were handed in. */
  readonly gone: boolean
}

/** So many in a row without it: it went. */
const GONE_AFTER = 2

/**
 * The mistakes of a student over a term: those that stay first, then those that went.
 * @param handIns newest version of each assignment, oldest assignment first
 */
export function mistakesOverTerm(handIns: readonly Pick<HandInFigures, 'mistakes'>[]): MistakeOverTerm[] {
  const kinds = [...new Set(handIns.flatMap((h) => h.mistakes.map((m) => m.kind)))]
  return kinds
    .map((kind) => {
      const where = handIns.map((h) => h.mistakes.some((m) => m.kind === kind))
      return { kind, in: where, gone: !where.slice(-GONE_AFTER).some(Boolean) && where.length > GONE_AFTER }
    })
    .sort(
      (a, b) =>
        Number(a.gone) - Number(b.gone) ||
        b.in.filter(Boolean).length - a.in.filter(Boolean).length ||
        (a.kind < b.kind ? -1 : 1),
    )
}

const WEEK = 7 * 24 * 3_600_000
const MINUTE = 60_000

/**
 * Minutes at work by week: each minute in which something was done counts once. Time that passed without a step is not counted.
 * @param steps when something was done, in ms since 1970
 * @param first beginning of the first week, in ms since 1970
 * @returns one number a week, up to `weeks`
 */
export function minutesByWeek(steps: readonly number[], first: number, weeks: number): number[] {
  const minutes = new Set(steps.map((at) => Math.floor(at / MINUTE)))
  const counts = Array.from({ length: weeks }, () => 0)
  for (const minute of minutes) {
    const week = Math.floor((minute * MINUTE - first) / WEEK)
    if (week >= 0 && week < weeks) counts[week]!++
  }
  return counts
}
