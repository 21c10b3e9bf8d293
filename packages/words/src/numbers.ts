const MINUS = '\u2212'

let locale = 'en-GB'
let formats = new Map<number, Intl.NumberFormat>()

/** From now on numbers and lists are written as they are there. @param tag a locale (BCP 47) */
export function writeNumbersOf(tag: string): void {
  locale = tag
  formats = new Map()
}

function formatOf(decimals: number): Intl.NumberFormat {
  const made =
    formats.get(decimals) ??
    new Intl.NumberFormat(locale, {
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
      useGrouping: false,
    })
  formats.set(decimals, made)
  return made
}

/** A number with a fixed count of decimals, a true minus sign and the person's decimal sign; never "−0". */
export function numberText(value: number, decimals: number): string {
  // what is rounded away has no sign
  const rounded = Number(value.toFixed(decimals)) || 0
  return formatOf(decimals).format(rounded).replace('-', MINUS)
}

/** Like {@link numberText}, with a plus sign in front of what is above 0. */
export function signedText(value: number, decimals: number): string {
  const text = numberText(value, decimals)
  return Number(value.toFixed(decimals)) > 0 ? `+${text}` : text
}

/** A number without digits that say nothing: "2", "2.5". @param most how many decimals there can be */
export const shortNumber = (value: number, most: number): string => {
  const decimals = (String(Number(value.toFixed(most))).split('.')[1] ?? '').length
  return numberText(value, decimals)
}

/** Joins parts as people list things: "a, b and c". */
export const listText = (parts: readonly string[]): string =>
  new Intl.ListFormat(locale, { type: 'conjunction' }).format(parts)
