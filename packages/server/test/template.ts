/** Databases that are copied from one that was made ready: making one ready again takes ten times as long. */
import { randomUUID } from 'node:crypto'
import mysql from 'mysql2/promise'
import type { DatabaseSettings } from '../src/database/data-source'

/** Where a server is, and who asks. */
export type Connection = Omit<DatabaseSettings, 'database'>

const connect = ({ host, port, username: user, password }: Connection, multipleStatements = false) =>
  mysql.createConnection({ host, port, user, password, multipleStatements })

/** An empty database on a server. */
export async function emptyDatabase(on: Connection): Promise<DatabaseSettings> {
  const { host, port, username, password } = on
  const database = `test_${randomUUID().replaceAll('-', '')}`
  const root = await connect(on)
  await root.query(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await root.end()
  return { host, port, username, password, database }
}

/** Another database on the same server with the same tables and all that is in them. */
export async function copyOf(template: DatabaseSettings): Promise<DatabaseSettings> {
  const copy = await emptyDatabase(template)
  const root = await connect(template, true)
  const statements = await copying(root, template.database)
  await root.query([`USE ${copy.database}`, 'SET foreign_key_checks = 0', ...statements].join(';\n'))
  await root.end()
  return copy
}

const known = new Map<string, readonly string[]>()

/** What makes a database's tables once more and fills them. */
async function copying(root: mysql.Connection, database: string): Promise<readonly string[]> {
  const before = known.get(database)
  if (before) return before
  const [tables] = await root.query<mysql.RowDataPacket[]>(`SHOW TABLES FROM ${database}`)
  const statements: string[] = []
  for (const table of tables.map((row) => String(Object.values(row)[0]))) {
    const [[made]] = await root.query<mysql.RowDataPacket[]>(`SHOW CREATE TABLE ${database}.${table}`)
    statements.push(String(made!['Create Table']), `INSERT INTO ${table} SELECT * FROM ${database}.${table}`)
  }
  known.set(database, statements)
  return statements
}
