import { Column, Entity, PrimaryColumn } from 'typeorm'

export type Role = 'student' | 'teacher'

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

  /** Whether the password was given by somebody else: the person is asked for an own one first. */
  @Column({ name: 'must_change', type: 'boolean', default: false })
  mustChange!: boolean
}
