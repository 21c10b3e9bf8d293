import { createReadStream, existsSync } from 'node:fs'
import { createGunzip } from 'node:zlib'
import type { DataSource } from 'typeorm'
import { dataSource, MIGRATIONS, type DatabaseSettings } from '../database/data-source'
import { bringUpToDate } from '../database/up-to-date'
import { BadBackup, readDump, type DumpedRows } from './dump-reader'

/** The table in which it stands how far a schema was changed: it follows from the migrations that are made here. */
const HISTORY = 'migrations'

/** The rows of a backup. @throws BadBackup where the file is none or damaged */
async function* rowsOf(file: string): AsyncGenerator<DumpedRows> {
  if (!existsSync(file)) throw new BadBackup(`There is no file ${file}.`)
  try {
    yield* readDump(createReadStream(file).pipe(createGunzip()))
  } catch (error) {
    const isPacking = /^Z_|^ERR_STREAM/.test((error as { code?: string }).code ?? '')
    throw isPacking ? new BadBackup('This backup is damaged or cut off.') : error
  }
}

/** Reads a backup through: whether it is one, whole, and data alone. @returns the migrations that its schema has had */
export async function lookThrough(file: string): Promise<string[]> {
  const had: string[] = []
  for await (const { table, columns, rows } of rowsOf(file)) {
    if (table !== HISTORY) continue
    const at = columns.indexOf('name')
    for (const row of rows.matchAll(/\((?:[^()']|'[^']*')*\)/g))
      had.push(row[0].slice(1, -1).split(',')[at]!.replaceAll("'", ''))
  }
  const strangers = had.filter((name) => !MIGRATIONS.some((m) => m.name === name))
  if (strangers.length)
    throw new BadBackup('This backup was made by a newer version of Rudlo: restore it with that version.')
  if (!had.length) throw new BadBackup('This backup is damaged: it does not say of which version it is.')
  return had
}

/**
 * Fills an empty database with a backup: makes the tables as they were when it was made, puts its rows in, and brings all of it
 * up to date.
 * @throws BadBackup with one sentence
 */
export async function loadBackup(settings: DatabaseSettings, file: string): Promise<void> {
  const had = await lookThrough(file)
  const old = await dataSource(
    settings,
    MIGRATIONS.filter((m) => had.includes(m.name)),
  ).initialize()
  try {
    await old.runMigrations({ transaction: 'each' })
    await fill(old, file)
  } finally {
    await old.destroy()
  }
  const database = await dataSource(settings).initialize()
  try {
    await bringUpToDate(database)
    await checkReferences(database)
  } finally {
    await database.destroy()
  }
}

async function fill(database: DataSource, file: string): Promise<void> {
  const known = await columnsOf(database)
  const runner = database.createQueryRunner()
  try {
    // tables come in the order of their names: what they refer to may come later
    await runner.query(
      'SET foreign_key_checks = 0, unique_checks = 0, sql_mode = "NO_AUTO_VALUE_ON_ZERO", time_zone = "+00:00"',
    )
    for await (const { table, columns, rows } of rowsOf(file)) {
      if (table === HISTORY) continue
      const stranger = columns.find((name) => !known.has(`${table}.${name}`))
      if (stranger)
        throw new BadBackup(`This backup is damaged: it has "${stranger}" in the table "${table}".`)
      // its reader let nothing but literals through
      await runner.query(
        `INSERT INTO \`${table}\` (${columns.map((c) => `\`${c}\``).join(',')}) VALUES ${rows}`,
      )
    }
  } catch (error) {
    if (error instanceof BadBackup) throw error
    throw new BadBackup(`This backup cannot be read in: ${(error as Error).message.slice(0, 200)}`)
  } finally {
    await runner.release()
  }
}

async function columnsOf(database: DataSource): Promise<Set<string>> {
  const rows: { place: string }[] = await database.query(
    "SELECT CONCAT(table_name, '.', column_name) AS place FROM information_schema.columns WHERE table_schema = DATABASE()",
  )
  return new Set(rows.map((r) => r.place))
}

/** Whatever refers to something has to find it. */
async function checkReferences(database: DataSource): Promise<void> {
  const keys: { child: string; col: string; parent: string; ref: string }[] = await database.query(
    `SELECT table_name AS child, column_name AS col, referenced_table_name AS parent, referenced_column_name AS ref
       FROM information_schema.key_column_usage
      WHERE table_schema = DATABASE() AND referenced_table_name IS NOT NULL`,
  )
  for (const { child, col, parent, ref } of keys) {
    const lost: unknown[] = await database.query(
      `SELECT 1 FROM \`${child}\` c LEFT JOIN \`${parent}\` p ON p.\`${ref}\` = c.\`${col}\`
        WHERE c.\`${col}\` IS NOT NULL AND p.\`${ref}\` IS NULL LIMIT 1`,
    )
    if (lost.length)
      throw new BadBackup(`This backup is damaged: "${child}" refers to what is not in "${parent}".`)
  }
}
