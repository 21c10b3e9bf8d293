import type { DataSource } from 'typeorm'

/** A save that is to be written. */
export interface Saving {
  readonly work: string
  readonly person: string
  /** What the person's session is called in the database. */
  readonly session: string
  /** The revision that it changes; it leads to the next one. */
  readonly before: number
  /** The name that the browser gave to it. */
  readonly save: string
  /** What changed, as JSON text; or the whole document, with which earlier changes are written off. */
  readonly change: { readonly patch: string } | { readonly document: string }
  /** Rows of `work_commands`, in the order of {@link COMMAND}. */
  readonly commands: readonly (readonly unknown[])[]
}

/** Columns of a command. */
const COMMAND = 'work_id, revision, number, label, lanes, from_tick, to_tick, how, at'

/** A statement and what belongs in it. */
interface Statement {
  readonly sql: string
  readonly parameters: readonly unknown[]
}

/**
 * Writes saves in one transaction, durably, all of them or none. A save is written if the revision before it is still the
 * newest; who was taken out of the class in the meantime, or whose session is over, saves no more.
 *
 * The transaction is one compound statement, so that it is one way to the database and back: asked step by step, a busy
 * server would keep its works locked while it sees to something else.
 * @param savings one of each work, in the order of their works: then two servers never wait for each other
 * @param waits whether to wait for whoever has one of the works locked
 * @returns whether they were written
 * @throws what the database says, with nothing written
 */
export async function writeSaves(
  database: DataSource,
  savings: readonly Saving[],
  { waits }: { readonly waits: boolean },
): Promise<boolean> {
  const held = holding(savings)
  const moved = moving(savings)
  const kept = keeping(savings)
  const [[{ written }]] = await database.query<[[{ written: number }]]>(
    `${waits ? '' : 'SET STATEMENT innodb_lock_wait_timeout=0 FOR '}BEGIN NOT ATOMIC
       DECLARE is_written BOOLEAN DEFAULT FALSE;
       DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
       START TRANSACTION;
       IF ${held.sql} THEN
         ${moved.sql};
         IF ROW_COUNT() = ${savings.length} THEN
           ${kept.map(({ sql }) => `${sql};`).join('\n')}
           COMMIT;
           SET is_written = TRUE;
         END IF;
       END IF;
       IF NOT is_written THEN ROLLBACK; END IF;
       SELECT is_written AS written;
     END`,
    [...held.parameters, ...moved.parameters, ...kept.flatMap(({ parameters }) => parameters)],
  )
  return written === 1
}

/** Whether everybody is still signed in. */
function holding(savings: readonly Saving[]): Statement {
  const sessions = [...new Set(savings.map(({ session }) => session))]
  return {
    sql: `(SELECT COUNT(*) FROM sessions WHERE token_hash IN (?) AND expires_at > ?) = ${sessions.length}`,
    parameters: [sessions, new Date()],
  }
}

/** Moves works on to their next revision. */
function moving(savings: readonly Saving[]): Statement {
  const whens = (then: string) => savings.map(() => `WHEN ? THEN ${then}`).join(' ')
  return {
    sql: `UPDATE works w JOIN assignments a ON a.id = w.assignment_id AND a.removed_at IS NULL
       JOIN class_groups g ON g.id = a.group_id AND g.ended_at IS NULL
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = w.person_id
        SET w.revision = w.revision + 1, w.last_save = CASE w.id ${whens('?')} END, w.updated_at = ?
      WHERE w.id IN (${savings.map(() => '?').join()})
        AND CASE w.id ${whens('w.person_id = ? AND w.revision = ?')} END`,
    parameters: [
      ...savings.flatMap(({ work, save }) => [work, save]),
      new Date(),
      ...savings.map(({ work }) => work),
      ...savings.flatMap(({ work, person, before }) => [work, person, before]),
    ],
  }
}

/** Writes what changed of works that were moved on, and the commands that did it. */
function keeping(savings: readonly Saving[]): Statement[] {
  const statements: Statement[] = []
  const patches: (readonly unknown[])[] = []
  for (const { work, before, change } of savings) {
    if ('patch' in change) patches.push([work, before + 1, change.patch])
    else
      statements.push(
        { sql: 'UPDATE works SET document = ? WHERE id = ?', parameters: [change.document, work] },
        { sql: 'DELETE FROM work_patches WHERE work_id = ?', parameters: [work] },
      )
  }
  if (patches.length)
    statements.push({
      sql: 'INSERT INTO work_patches (work_id, revision, patch) VALUES ?',
      parameters: [patches],
    })
  const commands = savings.flatMap((saving) => saving.commands)
  if (commands.length)
    statements.push({ sql: `INSERT INTO work_commands (${COMMAND}) VALUES ?`, parameters: [commands] })
  return statements
}
