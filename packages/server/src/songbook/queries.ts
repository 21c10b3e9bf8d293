import type { DataSource } from 'typeorm'
import type { Person } from '../people/entities'

/**
 * Whether a song is a teacher's: they made it, or teach a group together with whoever did. A song whose maker is not known, or
 * teaches here no more, is of those who gave it to a group; where nobody did, it is everybody's.
 */
const MINE = `(s.made_by = ? OR EXISTS (
    SELECT 1 FROM memberships a JOIN memberships b ON b.group_id = a.group_id
     WHERE a.person_id = ? AND a.role = 'teacher' AND b.person_id = s.made_by AND b.role = 'teacher')
  OR (NOT EXISTS (SELECT 1 FROM memberships c WHERE c.person_id = s.made_by AND c.role = 'teacher')
    AND (NOT EXISTS (SELECT 1 FROM assignments d JOIN song_versions e ON e.id = d.song_version_id WHERE e.song_id = s.id)
      OR EXISTS (SELECT 1 FROM assignments f JOIN song_versions g ON g.id = f.song_version_id
          JOIN memberships h ON h.group_id = f.group_id
         WHERE g.song_id = s.id AND h.person_id = ? AND h.role = 'teacher'))))`
const MINE_OF = ({ id }: Person) => [id, id, id]

/** A song by its newest version. */
export interface SongRow {
  readonly id: string
  readonly song: string
  readonly title: string
  readonly number: number
  readonly mine: boolean
  readonly archived: boolean
}

/** The newest version of every song, by title, and whether a teacher may change it. */
export async function newestSongs(database: DataSource, person: Person): Promise<SongRow[]> {
  const rows: (Omit<SongRow, 'mine' | 'archived'> & { mine: number; archivedAt: Date | null })[] =
    await database.query(
      `SELECT v.id, s.id AS song, s.title, v.number, s.archived_at AS archivedAt, ${MINE} AS mine
       FROM songs s JOIN song_versions v ON v.song_id = s.id
      WHERE s.removed_at IS NULL AND v.number = (SELECT MAX(number) FROM song_versions x WHERE x.song_id = s.id) ORDER BY s.title`,
      MINE_OF(person),
    )
  return rows.map(({ archivedAt, ...r }) => ({
    ...r,
    mine: Boolean(Number(r.mine)),
    archived: archivedAt !== null,
  }))
}

/** Whether a song is a teacher's; null where there is no such song. */
export async function isSongOf(database: DataSource, person: Person, song: string): Promise<boolean | null> {
  const [found]: { mine: number }[] = await database.query(
    `SELECT ${MINE} AS mine FROM songs s WHERE s.id = ?`,
    [...MINE_OF(person), song],
  )
  return found ? Boolean(Number(found.mine)) : null
}

/** Titles of the assignments of a teacher's classes that use a song, by song. */
export async function usesOfSongs(database: DataSource, person: Person): Promise<Map<string, string[]>> {
  const rows: { song: string; title: string }[] = await database.query(
    `SELECT DISTINCT v.song_id AS song, a.title FROM assignments a
       JOIN song_versions v ON v.id = a.song_version_id
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = ? AND m.role = 'teacher'
      WHERE a.removed_at IS NULL ORDER BY a.title`,
    [person.id],
  )
  const uses = new Map<string, string[]>()
  for (const { song, title } of rows) uses.set(song, [...(uses.get(song) ?? []), title])
  return uses
}

/** The coarsest zoom of the overviews of recordings: pairs of lowest and highest sample. */
export async function coarseOverviews(
  database: DataSource,
  assets: readonly { readonly id: string; readonly bytes: number }[],
): Promise<Map<string, Int8Array>> {
  const found = new Map<string, Int8Array>()
  for (const { id, bytes } of assets) {
    const [row]: { coarse: Buffer }[] = await database.query(
      'SELECT RIGHT(overview, ?) AS coarse FROM assets WHERE id = ?',
      [bytes, id],
    )
    if (row) found.set(id, new Int8Array(row.coarse))
  }
  return found
}
