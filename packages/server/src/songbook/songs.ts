import type { SongVersion } from '@rudlo/core/song'
import type { DataSource } from 'typeorm'
import { notFound } from '../http/problem'
import { SongVersionRow } from './song.entity'

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

  /** The newest version of every song, by title. */
  async newest(): Promise<{ id: string; title: string; number: number }[]> {
    return this.database.query(
      `SELECT v.id, s.title, v.number FROM songs s JOIN song_versions v ON v.song_id = s.id
        WHERE v.number = (SELECT MAX(number) FROM song_versions x WHERE x.song_id = s.id) ORDER BY s.title`,
    )
  }
}
