import { Column, Entity, PrimaryColumn } from 'typeorm'

/** Audio by the hash of its samples. The FLAC file lies in chunks beside it. */
@Entity('assets')
export class Asset {
  @PrimaryColumn({ type: 'char', length: 64 })
  id!: string

  @Column({ type: 'tinyint' })
  channels!: number

  @Column({ type: 'int', unsigned: true })
  frames!: number

  /** Length of the FLAC file. */
  @Column({ type: 'int', unsigned: true })
  bytes!: number

  /** Waveform overview, packed as docs/formats.md says. */
  @Column({ type: 'mediumblob' })
  overview!: Buffer

  /** When it was brought in last: what no song uses goes after a day. */
  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}

/** A piece of at most 1 MiB of an asset's FLAC file. */
@Entity('asset_chunks')
export class AssetChunk {
  @PrimaryColumn({ name: 'asset_id', type: 'char', length: 64 })
  assetId!: string

  @PrimaryColumn({ type: 'int', unsigned: true })
  number!: number

  @Column({ type: 'mediumblob' })
  data!: Buffer
}

@Entity('songs')
export class Song {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ type: 'varchar', length: 200 })
  title!: string

  /** Who made it; null for one of the demo, or from before that was kept. */
  @Column({ name: 'made_by', type: 'char', length: 36, nullable: true })
  madeBy!: string | null

  /** When it was put away; null while it is offered. */
  @Column({ name: 'archived_at', type: 'datetime', precision: 3, nullable: true })
  archivedAt!: Date | null

  /** When it was removed: it is kept for a while and can be had back; null while it is there. */
  @Column({ name: 'removed_at', type: 'datetime', precision: 3, nullable: true })
  removedAt!: Date | null

  @Column({ name: 'removed_by', type: 'char', length: 36, nullable: true })
  removedBy!: string | null
}

/** A song as it was at one time. Never changed. */
@Entity('song_versions')
export class SongVersionRow {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'song_id', type: 'char', length: 36 })
  songId!: string

  @Column({ type: 'int' })
  number!: number

  /** A `rudlo-song` document. */
  @Column({ type: 'longtext' })
  document!: string

  /** The mix that came in with the song, a `rudlo-mix` document; null where it begins flat. */
  @Column({ name: 'start_mix', type: 'longtext', nullable: true })
  startMix!: string | null
}

/** Which audio a song version uses: decides who may hear it. */
@Entity('song_version_assets')
export class SongVersionAsset {
  @PrimaryColumn({ name: 'song_version_id', type: 'char', length: 36 })
  songVersionId!: string

  @PrimaryColumn({ name: 'asset_id', type: 'char', length: 64 })
  assetId!: string
}

/** An audio file on its way in. Gone once it is decoded, given up, or a day old. */
@Entity('uploads')
export class Upload {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'varchar', length: 255 })
  name!: string

  /** How long the file is. */
  @Column({ type: 'int', unsigned: true })
  bytes!: number

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}
