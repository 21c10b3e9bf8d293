import { StringDecoder } from 'node:string_decoder'
import { skipRow } from './sql-row'

/** Rows of a table as they stand in a dump: literals alone, in parentheses, with commas between. */
export interface DumpedRows {
  readonly table: string
  readonly columns: readonly string[]
  /** Such as `(1,'a'),(2,NULL)`. */
  readonly rows: string
}

/** The first line of a backup, and the last one of a whole dump. */
export const MARK = '-- rudlo backup 1'
const END = '-- Dump completed'

/** A line of a backup is a row: none is longer than a packet of the database. */
const LONGEST_LINE = 64 * 1024 * 1024
/** Rows go into the database in pieces of about so many characters. */
const PIECE = 1024 * 1024

const NAME = '`([a-z_]{1,64})`'
const CREATE = new RegExp(`^CREATE TABLE ${NAME} \\($`)
const COLUMN = new RegExp(`^ {2}${NAME} `)
const INSERT = new RegExp(`^INSERT INTO ${NAME} VALUES\\s*`)
/** What a dump says besides: none of it is done. */
const SAID = [
  /^$/,
  /^--/,
  /^\/\*.*\*\/ ?;?$/,
  new RegExp(`^DROP TABLE IF EXISTS ${NAME};$`),
  new RegExp(`^LOCK TABLES ${NAME} WRITE;$`),
  /^UNLOCK TABLES;$/,
  /^(commit|set autocommit=[01]);$/i,
]

/** A backup that is none, is damaged, or holds something other than data. */
export class BadBackup extends Error {}

/**
 * Reads the data of a backup, and nothing else: whatever in it is not a row of a table is never done. No client of the database
 * comes near it.
 * @param text the unpacked file
 * @throws BadBackup with one sentence
 */
export async function* readDump(text: AsyncIterable<Uint8Array>): AsyncGenerator<DumpedRows> {
  const columns = new Map<string, string[]>()
  /** The table whose definition, or whose rows, are being read. */
  let defines: string | null = null
  let inserts: string | null = null
  let rows = ''
  let number = 0
  let isWhole = false
  const bad = () =>
    new BadBackup(`This backup holds something other than data, in line ${number}. Nothing was changed.`)

  for await (const line of linesOf(text)) {
    number++
    if (number === 1) {
      if (line !== MARK) throw new BadBackup('This is no backup of Rudlo.')
      continue
    }
    if (defines !== null) {
      const column = COLUMN.exec(line)?.[1]
      if (column) columns.get(defines)!.push(column)
      else if (line.startsWith(')')) defines = null
      continue
    }
    let at = 0
    if (inserts === null) {
      const created = CREATE.exec(line)?.[1]
      if (created) {
        columns.set(created, [])
        defines = created
        continue
      }
      const into = INSERT.exec(line)
      if (!into) {
        if (!SAID.some((pattern) => pattern.test(line))) throw bad()
        isWhole ||= line.startsWith(END)
        continue
      }
      inserts = into[1]!
      at = into[0].length
      if (!columns.get(inserts)?.length) throw bad()
    }
    const table: string = inserts
    const named = columns.get(table)!
    while (at < line.length) {
      const end = skipRow(line, at, named.length)
      if (end === null) throw bad()
      rows += (rows ? ',' : '') + line.slice(at, end)
      const sign = line[end]
      if (rows.length > PIECE || sign === ';') {
        yield { table, columns: named, rows }
        rows = ''
      }
      if (sign === ';' && end + 1 === line.length) inserts = null
      else if (sign !== ',') throw bad()
      at = end + 1
    }
  }
  if (!isWhole || inserts !== null || defines !== null)
    throw new BadBackup('This backup is damaged or cut off.')
}

/** Lines between line feeds, and those alone: what people write may hold every other sign that ends a line somewhere. */
async function* linesOf(text: AsyncIterable<Uint8Array>): AsyncGenerator<string> {
  const decoder = new StringDecoder('utf8')
  let kept = ''
  let count = 0
  for await (const piece of text) {
    const parts = decoder.write(Buffer.from(piece.buffer, piece.byteOffset, piece.byteLength)).split('\n')
    parts[0] = kept + parts[0]
    kept = parts.pop()!
    if (kept.length > LONGEST_LINE) throw new BadBackup('This backup is damaged: a line of it has no end.')
    count += parts.length
    yield* parts
  }
  kept += decoder.end()
  // a whole dump ends with a line feed
  if (kept && count) throw new BadBackup('This backup is damaged or cut off.')
  if (kept) yield kept
}
