import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A song, a starting mix and a brief, given to a group. */
@Entity('assignments')
export class Assignment {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @Column({ name: 'song_version_id', type: 'char', length: 36 })
  songVersionId!: string

  @Column({ type: 'varchar', length: 200 })
  title!: string

  /** A {@link Brief} as JSON. */
  @Column({ type: 'mediumtext' })
  brief!: string

  /** A `rudlo-mix` document. */
  @Column({ name: 'starting_mix', type: 'longtext' })
  startingMix!: string

  /** A {@link Rubric} as JSON. */
  @Column({ type: 'text' })
  rubric!: string

  @Column({ name: 'due_at', type: 'datetime', precision: 3, nullable: true })
  dueAt!: Date | null

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}
