import type { Role } from '@rudlo/contract/access'
import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm'

/** Somebody who signs in. */
@Entity('people')
export class Person {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ type: 'varchar', length: 120 })
  name!: string

  @Column({ name: 'sign_in', type: 'varchar', length: 60, unique: true })
  signIn!: string

  /** argon2id, in its own text form. */
  @Column({ name: 'password_hash', type: 'varchar', length: 200 })
  passwordHash!: string

  @Column({ type: 'enum', enum: ['student', 'teacher'] })
  role!: Role

  /** The id that the school has for them: its lists know them by it. */
  @Column({ name: 'school_id', type: 'varchar', length: 80, nullable: true })
  schoolId!: string | null

  /** Whether the password was given by somebody else: the person is asked for an own one first. */
  @Column({ name: 'must_change', type: 'boolean', default: false })
  mustChange!: boolean
}

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

  /** Whether somebody may ask to join by the code. */
  @Column({ name: 'join_open', type: 'boolean', default: true })
  joinOpen!: boolean

  /** The day of the week on which it has its lesson, from 0 for Sunday, and when it begins, as "18:30"; null for none. */
  @Column({ name: 'lesson_day', type: 'tinyint', unsigned: true, nullable: true })
  lessonDay!: number | null

  @Column({ name: 'lesson_time', type: 'char', length: 5, nullable: true })
  lessonTime!: string | null

  /** After this day the teacher is asked whether everything personal may go; null for no such day. */
  @Column({ name: 'keep_until', type: 'date', nullable: true })
  keepUntil!: string | null

  /** When its term ended: from then on it is only looked at; null while it goes on. */
  @Column({ name: 'ended_at', type: 'datetime', precision: 3, nullable: true })
  endedAt!: Date | null

  /** When it was removed: it is kept for a while and can be had back; null while it is there. */
  @Column({ name: 'removed_at', type: 'datetime', precision: 3, nullable: true })
  removedAt!: Date | null

  @Column({ name: 'removed_by', type: 'char', length: 36, nullable: true })
  removedBy!: string | null
}

/** Somebody who wants to join by the code. Becomes a student when a teacher says so. */
@Entity('join_requests')
export class JoinRequest {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @Column({ type: 'varchar', length: 120 })
  name!: string

  /** As it was asked for; whoever is let in first has it. */
  @Column({ name: 'sign_in', type: 'varchar', length: 60 })
  signIn!: string

  @Column({ name: 'password_hash', type: 'varchar', length: 200 })
  passwordHash!: string

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date

  /** Where it came from, as a hash: one who asks in the name of a thousand takes nobody else's place. */
  @Column({ name: 'asked_from', type: 'char', length: 64, default: '' })
  askedFrom!: string
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

  /** Whether the student allows the own work to be shown to the class, without a name. */
  @Column({ type: 'boolean', default: false })
  shares!: boolean
}

/** Who belonged to a class that was removed: they belong to it again where it is had back. */
@Entity('set_aside_members')
export class SetAsideMember {
  @PrimaryColumn({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'enum', enum: ['student', 'teacher'] })
  role!: Role

  @Column({ type: 'boolean', default: false })
  shares!: boolean
}

/** Who belonged to a group and was taken out of it: its teachers still look after what they made. */
@Entity('former_members')
export class FormerMember {
  @PrimaryColumn({ name: 'group_id', type: 'char', length: 36 })
  groupId!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'enum', enum: ['student', 'teacher'] })
  role!: Role

  @Column({ name: 'left_at', type: 'datetime', precision: 3 })
  leftAt!: Date
}

/** Who did what and when. */
@Entity('trail')
export class TrailEntry {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true })
  id!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ type: 'varchar', length: 60 })
  what!: string

  /** Id of what it was done to. */
  @Column({ type: 'char', length: 36 })
  subject!: string

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}
