/** A trade word of the glossary. */
export interface Term {
  readonly name: string
  /** As it stands in sentences. */
  readonly word: string
}

/** A piece of a text; with a term, if it is one that is explained. */
export interface Piece {
  readonly text: string
  readonly term: string | null
}

/**
 * A text in pieces: each trade word where it first stands, and what is between. Words are found whole, in small or capital letters as
 * they are in the glossary, but for a capital at the beginning.
 * @param terms longer ones first: of two that begin at the same place the first one listed counts
 */
export function explained(text: string, terms: readonly Term[]): Piece[] {
  const pieces: Piece[] = []
  const left = [...terms]
  let at = 0
  while (at < text.length) {
    const next = left
      .map((term) => ({ term, start: startOf(text, term.word, at) }))
      .filter(({ start }) => start >= 0)
      .sort((a, b) => a.start - b.start)[0]
    if (!next) break
    const end = next.start + next.term.word.length
    if (next.start > at) pieces.push({ text: text.slice(at, next.start), term: null })
    pieces.push({ text: text.slice(next.start, end), term: next.term.name })
    left.splice(left.indexOf(next.term), 1)
    at = end
  }
  if (at < text.length) pieces.push({ text: text.slice(at), term: null })
  return pieces
}

/** Where a word stands whole, from a place on; −1 where it does not. */
function startOf(text: string, word: string, from: number): number {
  const first = word.charAt(0)
  const either = first.toUpperCase() === first ? first : `[${first}${first.toUpperCase()}]`
  const found = new RegExp(`(?<![\\p{L}\\d])${either}${word.slice(1)}(?![\\p{L}\\d])`, 'u').exec(
    text.slice(from),
  )
  return found ? from + found.index : -1
}
