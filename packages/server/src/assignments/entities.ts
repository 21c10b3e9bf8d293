import { MODEL_HEARD, type ModelHeard } from '@rudlo/contract/assignments'
import type { Role } from '@rudlo/contract/access'
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

  /** Grows by one at each change. */
  @Column({ type: 'int', unsigned: true, default: 1 })
  revision!: number

  /** The mix as it should be, a `rudlo-mix` document: for the teacher alone until students may hear it. */
  @Column({ type: 'longtext', nullable: true })
  model!: string | null

  /** From when on a student may hear the model. */
  @Column({ name: 'model_heard', type: 'enum', enum: MODEL_HEARD, default: 'given back' })
  modelHeard!: ModelHeard

  /** Whether it is still written: students do not see it, whatever the day. */
  @Column({ type: 'boolean', default: false })
  draft!: boolean

  /** Before this the students do not see it. */
  @Column({ name: 'opens_at', type: 'datetime', precision: 3, nullable: true })
  opensAt!: Date | null

  /** How often a student may hand in; null for as often as they like. */
  @Column({ name: 'hand_in_limit', type: 'int', unsigned: true, nullable: true })
  handInLimit!: number | null

  @Column({ name: 'due_at', type: 'datetime', precision: 3, nullable: true })
  dueAt!: Date | null

  /** The first assignment of those that were given to several groups together; null for that one, and for one alone. */
  @Column({ name: 'given_with', type: 'char', length: 36, nullable: true })
  givenWith!: string | null

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date

  /** When it was removed: it is kept for a while and can be had back; null while it is there. */
  @Column({ name: 'removed_at', type: 'datetime', precision: 3, nullable: true })
  removedAt!: Date | null

  @Column({ name: 'removed_by', type: 'char', length: 36, nullable: true })
  removedBy!: string | null
}

/** Whether somebody may see an assignment by now: drafts, and what opens later, are not there yet for students; what was removed is there for nobody. */
export const isOpenTo = (
  { role }: { readonly role: Role },
  {
    draft,
    opensAt,
    removedAt,
  }: Pick<Assignment, 'draft' | 'opensAt'> & Partial<Pick<Assignment, 'removedAt'>>,
): boolean => !removedAt && (role === 'teacher' || (!draft && (opensAt === null || opensAt <= new Date())))
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
