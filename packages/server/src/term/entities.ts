import { Column, Entity, PrimaryColumn } from 'typeorm'

/** What a hand-in comes to, in small: core `HandInFigures` as JSON. Made where it is measured. */
@Entity('hand_in_figures')
export class HandInFigure {
  @PrimaryColumn({ name: 'hand_in_id', type: 'char', length: 36 })
  handInId!: string

  @Column({ type: 'mediumtext' })
  figures!: string
}

/** What teachers of a class note about a student. Students never see it. */
@Entity('student_notes')
export class StudentNote {
  @PrimaryColumn({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'text' })
  text!: string

  /** Grows by one at each change. */
  @Column({ type: 'int', unsigned: true })
  revision!: number

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  @Column({ name: 'updated_at', type: 'datetime', precision: 3 })
  updatedAt!: Date
}

/** Some students of a class who do something together in the next lesson. */
@Entity('small_groups')
export class SmallGroup {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  /** What they do. */
  @Column({ type: 'varchar', length: 120 })
  title!: string

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}

/** Who is in a small group. */
@Entity('small_group_members')
export class SmallGroupMember {
  @PrimaryColumn({ name: 'small_group_id', type: 'char', length: 36 })
  smallGroupId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string
}
