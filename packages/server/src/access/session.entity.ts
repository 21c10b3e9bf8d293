import { Column, Entity, PrimaryColumn } from 'typeorm'

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
