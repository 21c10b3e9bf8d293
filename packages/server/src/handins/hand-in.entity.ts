import { Column, Entity, PrimaryColumn } from 'typeorm'

/** Where a hand-in stands. */
export type HandInState = 'measuring' | 'waiting' | 'given back'
export type Outcome = 'accepted' | 'again'

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

  @Column({ type: 'enum', enum: ['measuring', 'waiting', 'given back'] })
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

  @Column({ type: 'enum', enum: ['accepted', 'again'], nullable: true })
  outcome!: Outcome | null

  @Column({ name: 'handed_in_at', type: 'datetime', precision: 3 })
  handedInAt!: Date

  @Column({ name: 'given_back_at', type: 'datetime', precision: 3, nullable: true })
  givenBackAt!: Date | null
}
