import type { Role } from '@rudlo/contract/access'
import {
  HAND_IN_STATES,
  OUTCOMES,
  type HandInState,
  type MeasureProblem,
  type Outcome,
} from '@rudlo/contract/handins'
import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A version given to the teacher: frozen, numbered, measured. */
@Entity('hand_ins')
export class HandIn {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'work_id', type: 'char', length: 36 })
  workId!: string

  @Column({ type: 'int', unsigned: true })
  number!: number

  @Column({ name: 'song_version_id', type: 'char', length: 36 })
  songVersionId!: string

  /** Revision of the work that was frozen. */
  @Column({ type: 'int', unsigned: true })
  revision!: number

  /** The frozen {@link WorkDocument}. */
  @Column({ type: 'longtext' })
  document!: string

  @Column({ type: 'enum', enum: HAND_IN_STATES })
  state!: HandInState

  /** A core `Measurement` as JSON, once made. */
  @Column({ type: 'longtext', nullable: true })
  measurement!: string | null

  /** The {@link Brief} that it was handed in for, as JSON: a brief that is changed later does not change it. */
  @Column({ type: 'mediumtext', nullable: true })
  brief!: string | null

  /** A core `Assessment` as JSON, once made. */
  @Column({ type: 'longtext', nullable: true })
  assessment!: string | null

  /** What the student was going for, in one line. */
  @Column({ type: 'varchar', length: 400, default: '' })
  said!: string

  /** Tracks on which the hand was left writing, as JSON. */
  @Column({ type: 'text', nullable: true })
  writing!: string | null

  /** SHA-256 of what the mix was made into: two works that have the same are the same. Null for an untouched one. */
  @Column({ name: 'same_as', type: 'char', length: 64, nullable: true })
  sameAs!: string | null

  /** The same for both hand-ins of a pair; null where one student handed in alone. */
  @Column({ type: 'char', length: 36, nullable: true })
  pair!: string | null

  @Column({ type: 'enum', enum: OUTCOMES, nullable: true })
  outcome!: Outcome | null

  @Column({ name: 'handed_in_at', type: 'datetime', precision: 3 })
  handedInAt!: Date

  @Column({ name: 'given_back_at', type: 'datetime', precision: 3, nullable: true })
  givenBackAt!: Date | null

  /** When the student first opened what came back. */
  @Column({ name: 'opened_at', type: 'datetime', precision: 3, nullable: true })
  openedAt!: Date | null

  /** When a teacher first looked at it. */
  @Column({ name: 'seen_at', type: 'datetime', precision: 3, nullable: true })
  seenAt!: Date | null

  /** Who looks at it on a review desk, and when that was last known. */
  @Column({ name: 'looked_by', type: 'char', length: 36, nullable: true })
  lookedBy!: string | null

  @Column({ name: 'looked_at', type: 'datetime', precision: 3, nullable: true })
  lookedAt!: Date | null

  /** How often measuring has failed since it was last asked for. */
  @Column({ name: 'measure_tries', type: 'int', unsigned: true, default: 0 })
  measureTries!: number

  /**
   * From when on it may be taken up to be measured: at once, after a pause, or when whoever took it up must have ended. Null
   * where there is nothing to measure.
   */
  @Column({ name: 'measure_at', type: 'datetime', precision: 3, nullable: true })
  measureAt!: Date | null

  /** Why it could not be measured, once it was tried often enough. */
  @Column({ name: 'measure_problem', type: 'varchar', length: 40, nullable: true })
  measureProblem!: MeasureProblem | null
}

/** Whether the student has it back by now. */
export const isBack = ({ state, givenBackAt }: Pick<HandIn, 'state' | 'givenBackAt'>): boolean =>
  state === 'given back' && givenBackAt !== null && givenBackAt <= new Date()

/** The state as somebody may know it: to a student what is not back yet still waits. */
export const stateFor = (role: Role, handIn: Pick<HandIn, 'state' | 'givenBackAt'>): HandInState =>
  role === 'teacher' || handIn.state === 'measuring' || isBack(handIn) ? handIn.state : 'waiting'
