/** Cells that a spreadsheet would take for a formula begin with one of these. */
const FORMULA = /^[=+\-@\t\r]/

/** One cell: quoted where it must be; what looks like a formula is made text by an apostrophe. Numbers stay numbers. */
function cell(value: string | number | null): string {
  if (value === null) return ''
  if (typeof value === 'number') return String(value)
  const safe = FORMULA.test(value) ? `'${value}` : value
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}

/**
 * A table as CSV (RFC 4180), in UTF-8 with a mark at its start, so that spreadsheets open it right.
 * @param rows the first one is the header
 */
export function csvText(rows: readonly (readonly (string | number | null)[])[]): string {
  return `\uFEFF${rows.map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`
}
