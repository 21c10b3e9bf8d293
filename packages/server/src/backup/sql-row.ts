/** Nothing, bytes, or a number. */
const PLAIN = /NULL|0x[0-9A-Fa-f]*|-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?/y

const [QUOTE, BACKSLASH] = [0x27, 0x5c]

/**
 * Finds the end of a row of literals, `(1,'a''b',0x00,NULL)`, as mariadb-dump writes it.
 * @param from where it begins
 * @param count how many values it has
 * @returns the place behind it; null where it is anything else
 */
export function skipRow(text: string, from: number, count: number): number | null {
  if (text[from] !== '(') return null
  let at = from + 1
  for (let n = 0; n < count; n++) {
    const end = skipLiteral(text, at)
    if (end === null || text[end] !== (n === count - 1 ? ')' : ',')) return null
    at = end + 1
  }
  return at
}

function skipLiteral(text: string, from: number): number | null {
  if (text.charCodeAt(from) === QUOTE) return skipString(text, from)
  PLAIN.lastIndex = from
  return PLAIN.test(text) ? PLAIN.lastIndex : null
}

/** A quote inside is doubled, or stands behind a backslash. */
function skipString(text: string, from: number): number | null {
  for (let i = from + 1; i < text.length; i++) {
    const sign = text.charCodeAt(i)
    if (sign === BACKSLASH) i++
    else if (sign === QUOTE) {
      if (text.charCodeAt(i + 1) !== QUOTE) return i + 1
      i++
    }
  }
  return null
}
