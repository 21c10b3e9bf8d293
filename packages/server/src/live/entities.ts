import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm'

/** Something that a person's open pages are told at once. Kept for an hour, for pages that were away. */
@Entity('happenings')
export class Happening {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true })
  id!: string

  /** Who is told. */
  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'varchar', length: 40 })
  kind!: string

  /** JSON. */
  @Column({ type: 'text' })
  data!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}
