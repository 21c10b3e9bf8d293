import { withPatch, type WorkDocument } from '@rudlo/core/mix'
import { readList, readWork } from '@rudlo/core/stored'
import type { DataSource, EntityManager } from 'typeorm'
import { notFound } from '../http/problem'

/** A document as it lies in the database. */
export interface StoredDocument {
  /** As it was written as a whole. */
  readonly document: string
  /** What was saved since, oldest first: JSON Patches. */
  readonly patches: readonly string[]
}

/** The row of a work, or one of a patch of it. */
type Part<Head> = (Head & { readonly isPatch: 0 }) | PatchRow
interface PatchRow {
  readonly isPatch: 1
  readonly revision: number
  readonly text: string
}

/** What else a work is looked up by, in SQL. */
interface Joined {
  readonly joins?: string
  readonly where?: string
  /** Of `where`. */
  readonly parameters?: readonly unknown[]
}

/**
 * A work with its document. Both parts of it change together, so they are read in one statement; and in one that needs no room on
 * the disk, for it is read where that is full, too.
 * @param columns more of the work `w`, and of what belongs to it: `name: expression`
 * @param joined what belongs to it, and what must be true of it besides
 */
export async function readStored<Head extends object>(
  database: DataSource | EntityManager,
  work: string,
  columns: Readonly<Record<keyof Head & string, string>>,
  { joins = '', where = 'TRUE', parameters = [] }: Joined = {},
): Promise<(Head & StoredDocument & { readonly revision: number }) | undefined> {
  const named = Object.entries<string>(columns)
  const rows: Part<Head & { readonly revision: number; readonly text: string }>[] = await database.query(
    `SELECT 0 AS isPatch, w.revision AS revision, w.document AS text
            ${named.map(([name, expression]) => `, ${expression} AS ${name}`).join('')}
       FROM works w ${joins} WHERE w.id = ? AND ${where}
      UNION ALL
     SELECT 1, p.revision, p.patch ${', NULL'.repeat(named.length)} FROM work_patches p WHERE p.work_id = ?`,
    [work, ...parameters, work],
  )
  const head = rows.find((row) => row.isPatch === 0)
  if (!head) return undefined
  const patches = rows.filter((row): row is PatchRow => row.isPatch === 1)
  patches.sort((a, b) => a.revision - b.revision)
  return { ...head, document: head.text, patches: patches.map(({ text }) => text) }
}

/** The document of a work as it is now. @throws DamagedDocument or PatchProblem where it is not what was written */
export function wholeDocument({ document, patches }: StoredDocument): WorkDocument {
  const read = readWork(document)
  return patches.length ? withPatch(read, patches.flatMap(readList)) : read
}

/** What a work is at one moment. */
export interface WorkNow {
  readonly revision: number
  readonly lastSave: string
  readonly document: WorkDocument
}

/**
 * A work as it is now.
 * @param database the manager of a transaction that has locked the work, to have it as it stays
 * @throws Problem 404 for no work
 */
export async function workNow(database: DataSource | EntityManager, work: string): Promise<WorkNow> {
  const stored = await readStored<{ lastSave: string }>(database, work, { lastSave: 'w.last_save' })
  if (!stored) throw notFound()
  return { revision: stored.revision, lastSave: stored.lastSave, document: wholeDocument(stored) }
}
