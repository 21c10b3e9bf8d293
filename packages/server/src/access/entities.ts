import { Column, Entity, PrimaryColumn } from 'typeorm'

/** How often a password was tried, and from when on it may be tried again: as rate-limiter-flexible keeps it. */
@Entity('limits')
export class Limit {
  /** What is counted, and a hash of whose and from where. */
  @PrimaryColumn({ type: 'varchar', length: 80 })
  key!: string

  @Column({ type: 'int', default: 0 })
  points!: number

  /** When it is forgotten, in ms since 1970. */
  @Column({ type: 'bigint', unsigned: true, nullable: true })
  expire!: string | null
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

/** A signed-in browser. Only the hash of its token is kept. */
@Entity('sessions')
export class Session {
  @PrimaryColumn({ name: 'token_hash', type: 'char', length: 64 })
  tokenHash!: string

  @Column({ name: 'person_id', type: 'char', length: 36 })
  personId!: string

  @Column({ name: 'expires_at', type: 'datetime', precision: 3 })
  expiresAt!: Date

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date

  /** When something was last done with it, to within some minutes. */
  @Column({ name: 'seen_at', type: 'datetime', precision: 3 })
  seenAt!: Date

  /** Kind of browser and system; empty where that is not known. */
  @Column({ type: 'varchar', length: 60, default: '' })
  device!: string
}

/** A fact about this installation: whether it is a demo, the code for the first teacher. */
@Entity('settings')
export class Setting {
  @PrimaryColumn({ type: 'varchar', length: 40 })
  name!: string

  @Column({ type: 'varchar', length: 255 })
  value!: string
}
