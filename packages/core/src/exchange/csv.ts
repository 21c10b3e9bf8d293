import Papa from 'papaparse'

/** Cells that a spreadsheet would take for a formula begin with one of these; numbers are cells of their own kind. */
const FORMULA = /^[=+\-@\t\r]/

/** What looks like a formula is made text, as papaparse does it; a number that is negative stays one. */
const harmless = (value: string | number | null): string | number | null =>
  typeof value === 'string' && FORMULA.test(value) ? `'${value}` : value

/**
 * A table as CSV (RFC 4180), in UTF-8 with a mark at its start, so that spreadsheets open it right.
 * @param rows the first one is the header
 */
export function csvText(rows: readonly (readonly (string | number | null)[])[]): string {
  const cells = rows.map((row) => row.map(harmless))
  return `\uFEFF${Papa.unparse(cells, { newline: '\r\n' })}\r\n`
}
