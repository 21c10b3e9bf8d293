/** A remark that a teacher keeps to use again. */
export interface BankRemark {
  readonly id: string
  readonly text: string
  /** The kind of mistake that it answers; null for any place. */
  readonly mistake: string | null
}

/** Remarks that a bank can begin with: one for each of the mistakes that are met most, and some to praise with. */
export const USUAL_REMARKS: readonly Omit<BankRemark, 'id'>[] = [
  { text: 'Beautifully placed: this {kind} comes exactly where the music asks for it.', mistake: null },
  { text: 'Your {kind} of {length} breathes with the phrase. Keep it.', mistake: null },
  {
    text: 'Listen from {bar}: the {kind} takes {length}. Try twice that, and hear how it stops being noticed.',
    mistake: null,
  },
  {
    text: 'By {depth} it hardly changes. Go until it is too much, then come back a little.',
    mistake: null,
  },
  {
    text: 'The {control} of {track} drifts from here to the end of the song. Put a second point where the move should start.',
    mistake: 'drift',
  },
  { text: 'It goes up and stays up. Where should {track} be back to normal?', mistake: 'never back' },
  { text: '{track} is cut off at {bar}. Give it half a beat to go.', mistake: 'cut off' },
  { text: 'Listen at {bar}: the move comes after the entry. Let it arrive before.', mistake: 'late' },
  {
    text: 'From {bar} it is so loud that it distorts. Where could you take some away instead?',
    mistake: 'too hot',
  },
  { text: 'The echo is cut at {bar}. Close the send instead, and let the return ring.', mistake: 'tail cut' },
  { text: '{track} drowns in its own echo here. Half of it is often enough.', mistake: 'too wet' },
  {
    text: 'Many points for a simple line. What is the fewest that still sounds like this?',
    mistake: 'too many points',
  },
  {
    text: 'Did you mean to move the {control} of {track}? Nobody asked for it, and it shows.',
    mistake: 'stray lane',
  },
]

/**
 * The remarks of a bank that fit: those that answer a mistake that was found come first, in the order of the mistakes.
 * @param search words that must all be in the text
 */
export function suggestRemarks(
  bank: readonly BankRemark[],
  mistakes: readonly string[],
  search = '',
): BankRemark[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const rank = ({ mistake }: BankRemark) => {
    const place = mistake === null ? -1 : mistakes.indexOf(mistake)
    return place < 0 ? (mistake === null ? mistakes.length : mistakes.length + 1) : place
  }
  return bank
    .filter(({ text }) => words.every((w) => text.toLowerCase().includes(w)))
    .map((remark, i) => ({ remark, i }))
    .sort((a, b) => rank(a.remark) - rank(b.remark) || a.i - b.i)
    .map(({ remark }) => remark)
}
