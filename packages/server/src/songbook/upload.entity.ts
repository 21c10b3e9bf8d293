import { Column, Entity, PrimaryColumn } from 'typeorm'

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

/** A piece of an audio file, in order. */
@Entity('upload_chunks')
export class UploadChunk {
  @PrimaryColumn({ name: 'upload_id', type: 'char', length: 36 })
  uploadId!: string

  @PrimaryColumn({ type: 'int', unsigned: true })
  number!: number

  @Column({ type: 'mediumblob' })
  data!: Buffer
}
