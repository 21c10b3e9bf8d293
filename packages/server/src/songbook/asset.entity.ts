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
