import { Column, Entity, PrimaryColumn } from 'typeorm'

/** How often a password was guessed wrong, by a hash of whose and from where. Gone after a quiet day. */
@Entity('guesses')
export class Guess {
  @PrimaryColumn({ type: 'char', length: 64 })
  id!: string

  /** Tries since the last right one; a try counts before its password is looked at. */
  @Column({ type: 'int', unsigned: true })
  wrong!: number

  /** Before this no password is looked at. */
  @Column({ name: 'retry_at', type: 'datetime', precision: 3, nullable: true })
  retryAt!: Date | null

  @Column({ type: 'datetime', precision: 3 })
  at!: Date
}

/** A browser in which a person has signed in before, by the hash of its own cookie. */
@Entity('known_browsers')
export class KnownBrowser {
  @PrimaryColumn({ type: 'char', length: 64 })
  browser!: string

  @PrimaryColumn({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ name: 'seen_at', type: 'datetime', precision: 3 })
  seenAt!: Date
}
