import { randomUUID } from 'node:crypto'
import type { SongVersion } from '@rudlo/core/song'
import { checkSong } from '@rudlo/core/validate'
import { In, type DataSource } from 'typeorm'
import { badInput, notFound } from '../http/problem'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import { Asset } from './asset.entity'
import { Song, SongVersionAsset, SongVersionRow } from './song.entity'

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
      if (songId === null) await manager.insert(Song, { id, title: song.title.trim() })
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

  /** The newest version of every song, by title. */
  async newest(): Promise<{ id: string; song: string; title: string; number: number }[]> {
    return this.database.query(
      `SELECT v.id, s.id AS song, s.title, v.number FROM songs s JOIN song_versions v ON v.song_id = s.id
        WHERE v.number = (SELECT MAX(number) FROM song_versions x WHERE x.song_id = s.id) ORDER BY s.title`,
    )
  }
}
