import { randomBytes, randomUUID } from 'node:crypto'
import { withPatch, type WorkDocument } from '@rudlo/core/mix'
import { readList, readWork } from '@rudlo/core/stored'
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise'
import type { Installation } from '../../scripts/lib/installation.mjs'

/** A table of the class, which rows of it belong to one, and what of it is an id of its own. */
interface Part {
  readonly table: string
  /** Condition on `x`, the table. */
  readonly where: string
  /** Columns with ids that every world has for itself. */
  readonly ids: readonly string[]
}

const WORKS = 'SELECT id FROM works WHERE assignment_id IN (SELECT id FROM assignments WHERE group_id = @g)'
const HAND_INS = `SELECT id FROM hand_ins WHERE work_id IN (${WORKS})`
const PEOPLE = 'SELECT person_id FROM memberships WHERE group_id = @g'

/** The class of the demo, in the order in which its rows can be written. */
const PARTS: readonly Part[] = [
  { table: 'people', where: `x.id IN (${PEOPLE})`, ids: ['id'] },
  { table: 'class_groups', where: 'x.id = @g', ids: ['id'] },
  { table: 'memberships', where: 'x.group_id = @g', ids: ['group_id', 'person_id'] },
  { table: 'bank_remarks', where: `x.person_id IN (${PEOPLE})`, ids: ['id', 'person_id'] },
  { table: 'assignments', where: 'x.group_id = @g', ids: ['id', 'group_id', 'given_with'] },
  { table: 'works', where: `x.id IN (${WORKS})`, ids: ['id', 'assignment_id', 'person_id'] },
  { table: 'work_patches', where: `x.work_id IN (${WORKS})`, ids: ['work_id'] },
  { table: 'work_commands', where: `x.work_id IN (${WORKS})`, ids: ['work_id'] },
  { table: 'hand_ins', where: `x.work_id IN (${WORKS})`, ids: ['id', 'work_id', 'pair'] },
  { table: 'hand_in_figures', where: `x.hand_in_id IN (${HAND_INS})`, ids: ['hand_in_id'] },
  { table: 'reviews', where: `x.hand_in_id IN (${HAND_INS})`, ids: ['hand_in_id', 'reviewer_id'] },
  { table: 'remarks', where: `x.hand_in_id IN (${HAND_INS})`, ids: ['id', 'hand_in_id', 'author_id'] },
]

/** One class with its teacher, students, assignments and hand-ins, for one story alone: the demo's, copied. */
export class World {
  readonly #ids = new Map<string, string>()

  private constructor(
    private readonly people: ReadonlyMap<string, string>,
    private readonly assignments: ReadonlyMap<string, string>,
    private readonly database: Connection,
  ) {}

  /** Copies the class of the demo. */
  static async make(database: Connection): Promise<World> {
    const people = new Map<string, string>()
    const assignments = new Map<string, string>()
    const world = new World(people, assignments, database)
    await database.query('SET @g = (SELECT id FROM class_groups ORDER BY join_code = ? DESC LIMIT 1)', [CODE])
    for (const { table, where, ids } of PARTS) {
      const [rows] = await database.query<RowDataPacket[]>(`SELECT x.* FROM ${table} x WHERE ${where}`)
      for (const row of rows) {
        for (const column of ids) row[column] = world.#idFor(row[column] as string | null)
        if (table === 'people') {
          people.set(String(row['name']), String(row['id']))
          row['sign_in'] = `${String(row['sign_in'])}.${randomBytes(6).toString('hex')}`
        }
        if (table === 'class_groups') row['join_code'] = randomBytes(4).toString('hex').toUpperCase()
        if (table === 'assignments') assignments.set(String(row['title']), String(row['id']))
        if (table === 'work_commands') delete row['id']
      }
      if (rows.length) await insert(database, table, rows)
    }
    return world
  }

  /** The id of somebody by name. */
  personOf(name: string): string {
    const id = this.people.get(name)
    if (!id) throw new Error(`Nobody is called ${name}.`)
    return id
  }

  /** The id of an assignment by title. */
  assignmentOf(title: string): string {
    const id = this.assignments.get(title)
    if (!id) throw new Error(`There is no assignment "${title}".`)
    return id
  }

  /** The work of somebody as it is stored at this moment. */
  async workOf(name: string, title: string): Promise<WorkDocument> {
    const [rows] = await this.database.query<RowDataPacket[]>(
      `SELECT w.document, p.patch FROM works w LEFT JOIN work_patches p ON p.work_id = w.id
        WHERE w.assignment_id = ? AND w.person_id = ? ORDER BY p.revision`,
      [this.assignmentOf(title), this.personOf(name)],
    )
    const patches = rows.flatMap(({ patch }) => (patch === null ? [] : readList(String(patch))))
    return withPatch(readWork(String(rows[0]?.['document'])), patches)
  }

  #idFor(id: string | null): string | null {
    if (id === null) return null
    const mine = this.#ids.get(id) ?? randomUUID()
    this.#ids.set(id, mine)
    return mine
  }
}

/** Writes rows with the same columns at once. */
async function insert(database: Connection, table: string, rows: readonly RowDataPacket[]): Promise<void> {
  const columns = Object.keys(rows[0]!)
  const values = rows.map((row) => columns.map((column) => row[column] as unknown))
  await database.query('INSERT INTO ?? (??) VALUES ?', [table, columns, values])
}

/** The join code of the demo's own class: by it the first one is found. */
const CODE = 'FERRY-4'

/** A connection to the database of an installation. */
export function connectTo(installation: Installation): Promise<Connection> {
  const { host, port, username, password, database } = installation.database.connection
  return mysql.createConnection({ host, port, user: username, password, database, timezone: 'Z' })
}
