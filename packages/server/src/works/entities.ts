import { Column, Entity, PrimaryColumn } from 'typeorm'

/** One student's mix for one assignment. */
@Entity('works')
export class Work {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'assignment_id', type: 'char', length: 36 })
  assignmentId!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  /** Grows by one at each save. */
  @Column({ type: 'int', unsigned: true })
  revision!: number

  /**
   * A {@link WorkDocument} as JSON, as it was when it was last written as a whole: what was saved since lies in
   * {@link WorkPatch}, and `workNow` puts both together.
   */
  @Column({ name: 'document', type: 'longtext', select: false })
  snapshot!: string

  /** The browser window that opened the work last. */
  @Column({ type: 'varchar', length: 40 })
  window!: string

  /** The id that the browser gave to the newest save: a save sent again after a lost answer is known by it. */
  @Column({ name: 'last_save', type: 'varchar', length: 40 })
  lastSave!: string

  @Column({ name: 'updated_at', type: 'datetime', precision: 3 })
  updatedAt!: Date
}

/** One save of a work since its document was written as a whole. */
@Entity('work_patches')
export class WorkPatch {
  @PrimaryColumn({ name: 'work_id', type: 'char', length: 36 })
  workId!: string

  /** The revision that it led to. */
  @PrimaryColumn({ type: 'int', unsigned: true })
  revision!: number

  /** A JSON Patch. */
  @Column({ type: 'mediumtext' })
  patch!: string
}

/** One command that made a work what it is. */
@Entity('work_commands')
export class WorkCommand {
  @PrimaryColumn({ name: 'work_id', type: 'char', length: 36 })
  workId!: string

  /** The revision that it was saved in. */
  @PrimaryColumn({ type: 'int', unsigned: true })
  revision!: number

  /** Place among the commands of one save. */
  @PrimaryColumn({ type: 'smallint', unsigned: true })
  number!: number

  @Column({ type: 'varchar', length: 200 })
  label!: string

  /** Addresses, as JSON. */
  @Column({ type: 'text' })
  lanes!: string

  @Column({ name: 'from_tick', type: 'int' })
  fromTick!: number

  @Column({ name: 'to_tick', type: 'int' })
  toTick!: number

  /** By hand, or the way of writing of a pass. */
  @Column({ type: 'varchar', length: 20 })
  how!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}

/** A named alternative of a whole work. */
@Entity('tries')
export class Try {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'work_id', type: 'char', length: 36 })
  workId!: string

  @Column({ type: 'varchar', length: 120 })
  name!: string

  @Column({ type: 'longtext' })
  document!: string

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}

/** A hint that a student opened: both sides can see it. */
@Entity('opened_hints')
export class OpenedHint {
  @PrimaryColumn({ name: 'work_id', type: 'char', length: 36 })
  workId!: string

  @PrimaryColumn({ type: 'varchar', length: 64 })
  task!: string

  /** From 0: what to listen for, where, show. */
  @PrimaryColumn({ type: 'tinyint', unsigned: true })
  level!: number

  @Column({ name: 'opened_at', type: 'datetime', precision: 3 })
  openedAt!: Date
}

/** How often a student tried a task and asked how it was: hints open after some tries. */
@Entity('task_tries')
export class TaskTries {
  @PrimaryColumn({ name: 'work_id', type: 'char', length: 36 })
  workId!: string

  @PrimaryColumn({ type: 'varchar', length: 64 })
  task!: string

  @Column({ type: 'int', unsigned: true })
  tries!: number

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}
