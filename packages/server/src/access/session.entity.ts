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
}
