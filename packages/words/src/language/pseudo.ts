import type { Catalog } from './catalog'

const ACCENTED: Readonly<Record<string, string>> = Object.fromEntries(
  [
    ...'aáAÁbƀBɃcçCÇdđDĐeéEÉfƒFƑgğGĞhĥHĤiíIÍjĵJĴkķKĶlľLĽmɱMṀnñNÑoóOÓpþPÞqʠQǪrŕRŔsšSŠtťTŤuúUÚvṽVṼwŵWŴxẋXẊyýYÝzžZŽ',
  ].flatMap((c, i, all) => (i % 2 ? [] : [[c, all[i + 1]!]])),
)
const VOWEL = /[aeiouy]/i

/** One text with every letter accented and about a third longer; what is filled in stays. */
function pseudo(text: string): string {
  let since = 0
  const letters = text.replace(/\{[^}]*\}|@:[\w.]+|[A-Za-z]/g, (piece) => {
    if (piece.length > 1) return piece
    since++
    const accented = ACCENTED[piece] ?? piece
    if (since < 2 || !VOWEL.test(piece)) return accented
    since = 0
    return accented + accented.toLowerCase()
  })
  return `⟦${letters}⟧`
}

/** A catalog in the pseudo-language: readable to whoever speaks the language, and strange enough for anything else to show. */
export const pseudoOf = (catalog: Catalog): Catalog =>
  Object.fromEntries(
    Object.entries(catalog).map(([key, text]) => [key, text.split(' | ').map(pseudo).join(' | ')]),
  )
