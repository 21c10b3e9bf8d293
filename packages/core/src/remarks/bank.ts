import { words } from '@rudlo/words'
import { FIGURE_NAMES } from './fill'

/** A remark that a teacher keeps to use again. */
export interface BankRemark {
  readonly id: string
  readonly text: string
  /** The kind of mistake that it answers; null for any place. */
  readonly mistake: string | null
}

/** The usual remarks: the key of each, and the mistake that it answers; null for any place. */
const USUAL: readonly (readonly [string, string | null])[] = [
  ['placed', null],
  ['breathes', null],
  ['longer', null],
  ['further', null],
  ['drift', 'drift'],
  ['never-back', 'never back'],
  ['cut-off', 'cut off'],
  ['late', 'late'],
  ['too-hot', 'too hot'],
  ['tail-cut', 'tail cut'],
  ['too-wet', 'too wet'],
  ['too-many-points', 'too many points'],
  ['stray-lane', 'stray lane'],
]
/** What a remark leaves open stays open: each place is filled with itself. */
const OPEN = Object.fromEntries(FIGURE_NAMES.map((name) => [name, `{${name}}`]))

/**
 * Remarks that a bank can begin with, in the language that is spoken: one for each of the mistakes that are met most, and some to
 * praise with.
 */
export const usualRemarks = (): Omit<BankRemark, 'id'>[] =>
  USUAL.map(([key, mistake]) => ({ text: words(`usual-remark.${key}`, OPEN), mistake }))

/**
 * The remarks of a bank that fit: those that answer a mistake that was found come first, in the order of the mistakes.
 * @param search words that must all be in the text
 */
export function suggestRemarks(
  bank: readonly BankRemark[],
  mistakes: readonly string[],
  search = '',
): BankRemark[] {
  const asked = search.toLowerCase().split(/\s+/).filter(Boolean)
  const rank = ({ mistake }: BankRemark) => {
    const place = mistake === null ? -1 : mistakes.indexOf(mistake)
    return place < 0 ? (mistake === null ? mistakes.length : mistakes.length + 1) : place
  }
  return bank
    .filter(({ text }) => asked.every((w) => text.toLowerCase().includes(w)))
    .map((remark, i) => ({ remark, i }))
    .sort((a, b) => rank(a.remark) - rank(b.remark) || a.i - b.i)
    .map(({ remark }) => remark)
}
