import { randomUUID } from 'node:crypto'
import type { SongVersion } from '@rudlo/core/song'
import { checkSong } from '@rudlo/core/validate'
import { In, type DataSource } from 'typeorm'
import { badInput, notFound, Problem } from '../http/problem'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import { Asset } from './asset.entity'
import { Song, SongVersionAsset, SongVersionRow } from './song.entity'

/** A song in the songbook. */
export interface SongEntry {
  /** Its newest version. */
  readonly id: string
  readonly song: string
  readonly title: string
  readonly number: number
  /** Whether the teacher who asks may change it. */
  readonly mine: boolean
}

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

/** Song versions never change, so those read once are kept. */
export class Songs {
  readonly #kept = new Map<string, SongVersion>()

  constructor(private readonly database: DataSource) {}

  async version(id: string): Promise<SongVersion> {
    const kept = this.#kept.get(id)
    if (kept) return kept
    const row = await this.database.getRepository(SongVersionRow).findOneBy({ id })
    if (!row) throw notFound()
    const song = JSON.parse(row.document) as SongVersion
    if (this.#kept.size > 100) this.#kept.clear()
    this.#kept.set(id, song)
    return song
  }

  /**
   * Keeps a song as a new one, or as the next version of one: works and assignments keep theirs.
   * @throws Problem 400 with a sentence for a document that does not do
   */
  async keep(
    person: Person,
    document: unknown,
    songId: string | null,
  ): Promise<{ song: string; version: string }> {
    const checked = checkSong(document)
    if (!checked.ok) throw badInput(checked.problem)
    const { song } = checked
    if (songId !== null) await this.#checkMayChange(person, songId)
    if (!song.title.trim()) throw badInput('The song needs a title.')
    if (!song.tracks.length) throw badInput('The song needs a track at least.')
    const ids = [...new Set(song.assets.map((a) => a.id))]
    const known = ids.length ? await this.database.getRepository(Asset).findBy({ id: In(ids) }) : []
    for (const { id, frames, channels } of song.assets) {
      const asset = known.find((k) => k.id === id)
      if (!asset || asset.frames !== frames || asset.channels !== channels)
        throw badInput('Some of its audio is not here: bring it in first.')
    }
    return this.database.transaction(async (manager) => {
      const id = songId ?? randomUUID()
      if (songId === null) await manager.insert(Song, { id, title: song.title.trim(), madeBy: person.id })
      else if (!(await manager.update(Song, songId, { title: song.title.trim() })).affected) throw notFound()
      const last = await manager.findOne(SongVersionRow, {
        where: { songId: id },
        order: { number: 'DESC' },
        lock: { mode: 'pessimistic_write' },
      })
      const text = JSON.stringify(song)
      if (last?.document === text) return { song: id, version: last.id }
      const version = randomUUID()
      const number = (last?.number ?? 0) + 1
      await manager.insert(SongVersionRow, { id: version, songId: id, number, document: text })
      for (const assetId of ids) await manager.insert(SongVersionAsset, { songVersionId: version, assetId })
      await leaveTrail(manager, person.id, songId ? 'changed a song' : 'made a song', id)
      return { song: id, version }
    })
  }

  /** The newest version of every song, by title, and whether a teacher may change it. */
  async newest(person: Person): Promise<SongEntry[]> {
    const rows: (Omit<SongEntry, 'mine'> & { mine: number })[] = await this.database.query(
      `SELECT v.id, s.id AS song, s.title, v.number, ${MINE} AS mine
         FROM songs s JOIN song_versions v ON v.song_id = s.id
        WHERE v.number = (SELECT MAX(number) FROM song_versions x WHERE x.song_id = s.id) ORDER BY s.title`,
      MINE_OF(person),
    )
    return rows.map((r) => ({ ...r, mine: Boolean(Number(r.mine)) }))
  }

  /** @throws Problem 404 where there is no such song, 403 where it is somebody else's */
  async #checkMayChange(person: Person, songId: string): Promise<void> {
    const [found]: { mine: number }[] = await this.database.query(
      `SELECT ${MINE} AS mine FROM songs s WHERE s.id = ?`,
      [...MINE_OF(person), songId],
    )
    if (!found) throw notFound()
    if (!Number(found.mine))
      throw new Problem(
        403,
        'not-yours',
        'Only its own teachers change this song: save it as a song of your own.',
      )
  }
}
