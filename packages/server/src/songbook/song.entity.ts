import { Column, Entity, PrimaryColumn } from 'typeorm'

@Entity('songs')
export class Song {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ type: 'varchar', length: 200 })
  title!: string

  /** Who made it; null for one of the demo, or from before that was kept. */
  @Column({ name: 'made_by', type: 'char', length: 36, nullable: true })
  madeBy!: string | null
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
}

/** Which audio a song version uses: decides who may hear it. */
@Entity('song_version_assets')
export class SongVersionAsset {
  @PrimaryColumn({ name: 'song_version_id', type: 'char', length: 36 })
  songVersionId!: string

  @PrimaryColumn({ name: 'asset_id', type: 'char', length: 64 })
  assetId!: string
}
