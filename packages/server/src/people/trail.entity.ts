import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm'

/** Who did what and when. */
@Entity('trail')
export class TrailEntry {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true })
  id!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'varchar', length: 60 })
  what!: string

  /** Id of what it was done to. */
  @Column({ type: 'char', length: 36 })
  subject!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}
