import { Column, Entity, PrimaryColumn } from 'typeorm'

/** The teacher's marks and comment on a hand-in. */
@Entity('reviews')
export class Review {
  @PrimaryColumn({ name: 'hand_in_id', type: 'char', length: 36 })
  handInId!: string

  @Column({ name: 'reviewer_id', type: 'char', length: 36 })
  reviewerId!: string

  /** Level by criterion, as JSON. */
  @Column({ type: 'text' })
  marks!: string

  @Column({ type: 'text' })
  comment!: string

  /** Grows by one at each save. */
  @Column({ type: 'int', unsigned: true })
  revision!: number

  @Column({ name: 'updated_at', type: 'datetime', precision: 3 })
  updatedAt!: Date
}

/** A comment pinned to a lane and a span of bars. */
@Entity('remarks')
export class Remark {
  @PrimaryColumn({ type: 'char', length: 36 })
  id!: string

  @Column({ name: 'hand_in_id', type: 'char', length: 36 })
  handInId!: string

  @Column({ name: 'author_id', type: 'char', length: 36 })
  authorId!: string

  @Column({ type: 'varchar', length: 160 })
  lane!: string

  @Column({ name: 'from_tick', type: 'int' })
  fromTick!: number

  @Column({ name: 'to_tick', type: 'int' })
  toTick!: number

  @Column({ type: 'text' })
  text!: string

  @Column({ name: 'created_at', type: 'datetime', precision: 3 })
  createdAt!: Date
}
