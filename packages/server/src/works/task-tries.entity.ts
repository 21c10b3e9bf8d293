import { Column, Entity, PrimaryColumn } from 'typeorm'

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
