import { englishDataset, englishRecommendedTransformers, RegExpMatcher } from 'obscenity'

/** Longer than this, a line is a remark of whoever made the file. */
const LONGEST_PART = 40
const LONGEST_TITLE = 80

/** What programs call a track that nobody gave a name, in the languages that files mostly come in. */
const NOBODY =
  /^(midi[\s_.:#-]*)?(new|untitled|unnamed|no ?name|default|instrument|staff|stave|voice|part|track|trk|channel|chan|ch|seq|sequence|spur|sp[aå]r|spor|raita|piste|pista|traccia|kanal|unbenannt|song|header|control|conductor|tempo( track| map)?|setup)?[\s_.:#-]*(\d+|[ivx]+)?$/i
/** Who made it, when, and who may use it: nothing that a piece or a part is called. */
const IMPRINT =
  /copyright|\(c\)|©|℗|all rights|public domain|www\.|https?:|@|\b(sequenced|arranged|transcribed|composed|written|created|generated|converted|edited|made)\b.*\b(by|with|from)\b|\.midi?$/i
const LETTERS = /\p{L}{2}/u

let matcher: RegExpMatcher | undefined

/** Whether a line holds words that nobody would put before a class. */
export function isFoul(text: string): boolean {
  // made when first needed: most of what knows this file never reads a name
  matcher ??= new RegExpMatcher({ ...englishDataset.build(), ...englishRecommendedTransformers })
  return matcher.hasMatch(text)
}

const saysNothing = (text: string) => !LETTERS.test(text) || NOBODY.test(text.trim()) || IMPRINT.test(text)

/** What a file calls a part, where it says anything of it; else empty. */
export const partName = (text: string): string =>
  saysNothing(text) || isFoul(text) || text.length > LONGEST_PART ? '' : text

/** What a file calls a piece, where that can be its title; else empty. */
export const songTitle = (text: string): string =>
  saysNothing(text) || isFoul(text) || text.length > LONGEST_TITLE ? '' : text

/** A title that is one, and that somebody should be asked about; else empty. */
export const doubtfulTitle = (text: string): string => (!saysNothing(text) && isFoul(text) ? text : '')
