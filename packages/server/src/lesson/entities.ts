import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A student at a bench: where, and since when nothing was done there. */
@Entity('presences')
export class Presence {
  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @PrimaryColumn({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @Column({ name: 'assignment_id', type: 'char', length: 36, nullable: true })
  assignmentId!: string | null

  /** Id of the task that is open; empty for none. */
  @Column({ type: 'varchar', length: 64, default: '' })
  task!: string

  /** When the bench was last heard of. */
  @Column({ name: 'seen_at', type: 'datetime', precision: 3 })
  seenAt!: Date

  /** When something was last done there. */
  @Column({ name: 'acted_at', type: 'datetime', precision: 3 })
  actedAt!: Date

  /** Since when help is wanted; null where none is. */
  @Column({ name: 'help_at', type: 'datetime', precision: 3, nullable: true })
  helpAt!: Date | null

  /** Whether the student allows the own line to be shown to the class, without a name. */
  @Column({ type: 'boolean', default: false })
  shows!: boolean
}
