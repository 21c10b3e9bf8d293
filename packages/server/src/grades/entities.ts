import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm'

/** How a class is marked. */
@Entity('grade_schemes')
export class GradeSchemeRow {
  @PrimaryColumn({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  /** A core `GradeScheme` as JSON. */
  @Column({ type: 'text' })
  document!: string

  /** Grows by one at each change. */
  @Column({ type: 'int', unsigned: true })
  revision!: number
}

/** An overall mark that a teacher gave by hand, or took back. The newest of a student holds, those before are its trail. */
@Entity('overall_grades')
export class OverallGrade {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true })
  id!: string

  @Column({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  /** 0…1; null where it follows the rule again. */
  @Column({ type: 'double', nullable: true })
  share!: number | null

  @Column({ type: 'varchar', length: 300 })
  reason!: string

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}

/** Work that somebody need not do: it counts for nothing. */
@Entity('excused_work')
export class ExcusedWork {
  @PrimaryColumn({ name: 'assignment_id', type: 'char', length: 36 })
  assignmentId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'varchar', length: 300 })
  reason!: string

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}

/** A mark that was changed after it was given. */
@Entity('mark_changes')
export class MarkChange {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true })
  id!: string

  @Column({ name: 'hand_in_id', type: 'char', length: 36 })
  handInId!: string

  @Column({ type: 'varchar', length: 64 })
  criterion!: string

  /** Level before, and after; null for none. */
  @Column({ type: 'tinyint', unsigned: true, nullable: true })
  was!: number | null

  @Column({ type: 'tinyint', unsigned: true, nullable: true })
  became!: number | null

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}
