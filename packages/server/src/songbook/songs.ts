import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { SongEntry, SongKept, SongToKeep, SongView } from '@rudlo/contract/songbook'
import type { SongVersion } from '@rudlo/core/song'
import { coarsestBytes, songPicture } from '@rudlo/core/exchange'
import { mixForSong } from '@rudlo/core/mix'
import { readMix, readSong } from '@rudlo/core/stored'
import { checkMix, checkSong } from '@rudlo/core/validate'
import { LRUCache } from 'lru-cache'
import { In, type DataSource } from 'typeorm'
import { badInput, notFound, Problem } from '../http/problem'
import type { Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import { Asset, Song, SongVersionAsset, SongVersionRow } from './entities'
import { coarseOverviews, isSongOf, newestSongs, usesOfSongs } from './queries'
import { songLooks, type SongLooks } from './views'

/** Columns of a song's picture: fine enough for a card. */
const COLUMNS = 96

/** Song versions never change, so those read once are kept. */
export class Songs {
  readonly #kept = new LRUCache<string, SongVersion>({ max: 100 })

  readonly #looks = new LRUCache<string, SongLooks>({ max: 1000 })

  constructor(private readonly database: DataSource) {}

  async version(id: string): Promise<SongVersion> {
    const kept = this.#kept.get(id)
    if (kept) return kept
    const row = await this.database.getRepository(SongVersionRow).findOneBy({ id })
    if (!row) throw notFound()
    const song = readSong(row.document)
    this.#kept.set(id, song)
    return song
  }

  /**
   * Keeps a song as a new one, or as the next version of one: works and assignments keep theirs.
   * @throws Problem 400 with a sentence for a document that does not do
   */
  async keep(person: Person, { document, mix }: SongToKeep, songId: string | null): Promise<SongKept> {
    const checked = checkSong(document)
    if (!checked.ok) throw badInput(checked.problem)
    const { song } = checked
    if (songId !== null) await this.checkMayChange(person, songId)
    if (!song.title.trim()) throw badInput(words('song-room.song-needs-title'))
    if (!song.tracks.length) throw badInput(words('song-room.song-needs-least'))
    const ids = [...new Set(song.assets.map((a) => a.id))]
    const known = ids.length ? await this.database.getRepository(Asset).findBy({ id: In(ids) }) : []
    for (const { id, frames, channels } of song.assets) {
      const asset = known.find((k) => k.id === id)
      if (!asset || asset.frames !== frames || asset.channels !== channels)
        throw badInput(words('song-room.audio-missing-upload'))
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
      const startMix = startMixOf(song, mix, last?.startMix ?? null)
      if (last?.document === text && last.startMix === startMix) return { song: id, version: last.id }
      const version = randomUUID()
      const number = (last?.number ?? 0) + 1
      await manager.insert(SongVersionRow, { id: version, songId: id, number, document: text, startMix })
      for (const assetId of ids) await manager.insert(SongVersionAsset, { songVersionId: version, assetId })
      await leaveTrail(manager, person.id, songId ? 'changed a song' : 'made a song', id)
      return { song: id, version }
    })
  }

  /** A version as its teachers open it. @throws Problem 404 */
  async view(id: string): Promise<SongView> {
    const document = await this.version(id)
    const row = await this.database
      .getRepository(SongVersionRow)
      .findOne({ select: { startMix: true }, where: { id } })
    return { document, mix: row?.startMix ? readMix(row.startMix) : null }
  }

  /** The newest version of every song, by title, and whether a teacher may change it. */
  async newest(person: Person): Promise<SongEntry[]> {
    const rows = await newestSongs(this.database, person)
    const uses = await usesOfSongs(this.database, person)
    const entries: SongEntry[] = []
    for (const row of rows)
      entries.push({ ...row, ...(await this.#looksOf(row.id)), usedIn: uses.get(row.song) ?? [] })
    return entries
  }

  /** What a version looks like from far away; worked out once, since it never changes. */
  async #looksOf(version: string): Promise<SongLooks> {
    const known = this.#looks.get(version)
    if (known) return known
    const song = await this.version(version)
    const assets = song.assets.map(({ id, frames }) => ({ id, bytes: coarsestBytes(frames) }))
    const looks = songLooks(song, songPicture(song, await coarseOverviews(this.database, assets), COLUMNS))
    this.#looks.set(version, looks)
    return looks
  }

  /** Puts a song away, or offers it again. @throws Problem 404 or 403 */
  async archive(person: Person, songId: string, archived: boolean): Promise<void> {
    await this.checkMayChange(person, songId)
    await this.database.transaction(async (manager) => {
      await manager.update(Song, songId, { archivedAt: archived ? new Date() : null })
      await leaveTrail(manager, person.id, archived ? 'put a song away' : 'offered a song again', songId)
    })
  }

  /** @throws Problem 404 where there is no such song, 403 where it is somebody else's */
  async checkMayChange(person: Person, songId: string): Promise<void> {
    const isMine = await isSongOf(this.database, person, songId)
    if (isMine === null) throw notFound()
    if (!isMine) throw new Problem(403, 'not-yours', words('song-room.own-teachers-change'))
  }
}

/**
 * The mix that a version begins with, as it is stored.
 * @param sent null for a flat one, undefined where nothing was said of it
 * @throws Problem 400 with a sentence for a mix that is none of the song
 */
function startMixOf(
  song: SongVersion,
  sent: object | null | undefined,
  before: string | null,
): string | null {
  if (sent === null) return null
  if (sent === undefined) return before && JSON.stringify(mixForSong(readMix(before), song))
  const checked = checkMix(sent, song)
  if (!checked.ok) throw badInput(checked.problem)
  return JSON.stringify(checked.mix)
}
