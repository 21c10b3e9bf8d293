import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Role } from './person.entity'

/** A class: some students and the teachers named for it. */
@Entity('class_groups')
export class Group {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ type: 'varchar', length: 120 })
  name!: string

  @Column({ type: 'varchar', length: 120 })
  place!: string

  @Column({ name: 'join_code', type: 'varchar', length: 20, unique: true })
  joinCode!: string
}

/** Who belongs to a group, and as what. */
@Entity('memberships')
export class Membership {
  @PrimaryColumn({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'enum', enum: ['student', 'teacher'] })
  role!: Role
}
