import { Column, Entity, PrimaryColumn } from 'typeorm'

/** The teacher's marks and comment on a hand-in. */
@Entity('reviews')
export class Review {
  @PrimaryColumn({ name: 'hand_in_id', type: 'char', length: 36 })
  handInId!: string

  @Column({ name: 'reviewer_id', type: 'char', length: 36 })
  reviewerId!: string

  /** Level by criterion, as JSON. */
  @Column({ type: 'text' })
  marks!: string

  @Column({ type: 'text' })
  comment!: string

  /** What the teacher overruled, as JSON; null for nothing. */
  @Column({ type: 'mediumtext', nullable: true })
  overrules!: string | null

  /** Grows by one at each save. */
  @Column({ type: 'int', unsigned: true })
  revision!: number

  @Column({ name: 'updated_at', type: 'datetime', precision: 3 })
  updatedAt!: Date
}

/** A comment pinned to a lane and a span of bars. */
@Entity('remarks')
export class Remark {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'hand_in_id', type: 'char', length: 36 })
  handInId!: string

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  /** Null for a remark on the whole. */
  @Column({ type: 'varchar', length: 160, nullable: true })
  lane!: string | null

  @Column({ name: 'from_tick', type: 'int' })
  fromTick!: number

  @Column({ name: 'to_tick', type: 'int' })
  toTick!: number

  @Column({ type: 'text' })
  text!: string

  /** What it is about besides its place: the name of a check, a move or a mistake; empty for the place alone. */
  @Column({ type: 'varchar', length: 160, default: '' })
  subject!: string

  /** A suggested line for the lane: its points as JSON. The student's own line is never changed by it. */
  @Column({ type: 'mediumtext', nullable: true })
  suggestion!: string | null

  /** Grows by one at each change. */
  @Column({ type: 'int', unsigned: true, default: 1 })
  revision!: number

  /** When the student ticked it off as dealt with. */
  @Column({ name: 'done_at', type: 'datetime', precision: 3, nullable: true })
  doneAt!: Date | null

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}

/** What was spoken for a remark: its recording as the browser made it. Goes with the remark. */
@Entity('spoken_remarks')
export class Spoken {
  @PrimaryColumn({ name: 'remark_id', type: 'char', length: 36 })
  remarkId!: string

  @Column({ type: 'varchar', length: 20 })
  type!: string

  @Column({ type: 'int', unsigned: true })
  ms!: number

  /** How loud it is from beginning to end: a byte for each part, 0…100. */
  @Column({ type: 'varbinary', length: 64 })
  wave!: Buffer

  @Column({ type: 'mediumblob' })
  audio!: Buffer
}

/** An answer to a remark, by the student or a teacher. */
@Entity('replies')
export class Reply {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'remark_id', type: 'char', length: 36 })
  remarkId!: string

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  @Column({ type: 'text' })
  text!: string

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}

/** A remark that a teacher keeps to use again. */
@Entity('bank_remarks')
export class BankRemarkRow {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'text' })
  text!: string

  /** The kind of mistake that it answers; null for any place. */
  @Column({ type: 'varchar', length: 40, nullable: true })
  mistake!: string | null

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}
