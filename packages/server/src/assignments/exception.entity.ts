import { Column, Entity, PrimaryColumn } from 'typeorm'

/** What holds for one student of an assignment: more time, or a simpler brief. */
@Entity('exceptions')
export class Exception {
  @PrimaryColumn({ name: 'assignment_id', type: 'char', length: 36 })
  assignmentId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ name: 'due_at', type: 'datetime', precision: 3, nullable: true })
  dueAt!: Date | null

  /** A {@link Brief} as JSON; null where the assignment's own holds. */
  @Column({ type: 'mediumtext', nullable: true })
  brief!: string | null
}
