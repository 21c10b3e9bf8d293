/** A trade word, as it stands in sentences, and what it means. */
export interface Term {
  readonly word: string
  readonly says: string
}

/** A piece of a text, and what it means where it is a trade word. */
export interface Piece {
  readonly text: string
  readonly says: string | null
}

const LETTER = /[\p{L}\d]/u

/**
 * A text in pieces: each trade word where it first stands, and what is between. Words are found whole, in small or capital letters as
 * they are in the glossary, but for a capital at the beginning; of two that begin at the same place the longer one counts.
 */
export function explained(text: string, terms: readonly Term[]): Piece[] {
  const found = terms
    .map((term) => ({ term, start: startOf(text, term.word) }))
    .filter(({ start }) => start >= 0)
    .sort((a, b) => a.start - b.start || b.term.word.length - a.term.word.length)
  const pieces: Piece[] = []
  let at = 0
  for (const { term, start } of found) {
    if (start < at) continue
    if (start > at) pieces.push({ text: text.slice(at, start), says: null })
    at = start + term.word.length
    pieces.push({ text: text.slice(start, at), says: term.says })
  }
  if (at < text.length) pieces.push({ text: text.slice(at), says: null })
  return pieces
}

/** Where a word first stands whole; −1 where it does not. */
function startOf(text: string, word: string): number {
  const capital = word.charAt(0).toUpperCase() + word.slice(1)
  for (let at = 0; at + word.length <= text.length; at++) {
    const isHere = text.startsWith(word, at) || text.startsWith(capital, at)
    if (isHere && !LETTER.test(text.charAt(at - 1)) && !LETTER.test(text.charAt(at + word.length))) return at
  }
  return -1
}
