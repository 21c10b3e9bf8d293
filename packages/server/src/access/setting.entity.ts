import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A fact about this installation: whether it is a demo, the code for the first teacher. */
@Entity('settings')
export class Setting {
  @PrimaryColumn({ type: 'varchar', length: 40 })
  name!: string

  @Column({ type: 'varchar', length: 255 })
  value!: string
}
