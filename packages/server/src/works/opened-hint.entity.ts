import { Column, Entity, PrimaryColumn } from 'typeorm'

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
