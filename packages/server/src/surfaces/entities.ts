import { Column, Entity, PrimaryColumn } from 'typeorm'

/** What somebody's control surfaces send, as they were taught. */
@Entity('surfaces')
export class SurfacesRow {
  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  /** A list of `rudlo-surface` documents as JSON. */
  @Column({ type: 'mediumtext' })
  maps!: string

  @Column({ name: 'updated_at', type: 'datetime', precision: 3 })
  updatedAt!: Date
}
