import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { csvText } from '.'

/** Reads CSV as RFC 4180 has it. */
function read(text: string): string[][] {
  const cells = [...text.slice(1).matchAll(/(?:"((?:[^"]|"")*)"|([^,\r\n]*))(,|\r\n)/g)]
  const rows: string[][] = [[]]
  for (const [, quoted, plain, end] of cells) {
    rows.at(-1)!.push(quoted === undefined ? plain! : quoted.replaceAll('""', '"'))
    if (end !== ',') rows.push([])
  }
  return rows.slice(0, -1)
}

describe('CSV', () => {
  it('says a table so that it can be read again, whatever is in it', () => {
    const word = fc.string().filter((s) => !/^[=+\-@\t\r']/.test(s))
    fc.assert(
      fc.property(
        fc.array(fc.array(word, { minLength: 2, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
        (rows) => {
          expect(read(csvText(rows))).toEqual(rows)
        },
      ),
    )
  })

  it('makes cells harmless that a spreadsheet would run, and leaves numbers alone', () => {
    const [row] = read(csvText([['=1+1', '+x', '-y', '@z', '\tq', -3, null, 'a,b']]))
    expect(row).toEqual(["'=1+1", "'+x", "'-y", "'@z", "'\tq", '-3', '', 'a,b'])
  })

  it('begins with the mark of UTF-8', () => {
    expect(csvText([['ä']]).charCodeAt(0)).toBe(0xfeff)
  })
})
