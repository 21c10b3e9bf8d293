// class-transformer's decorators look for it
import 'reflect-metadata'
import { IsIn } from 'class-validator'
import { IsId } from '../fields'
import { REMOVABLE, type Removable } from './answers'

/** Something that is had back. */
export class Restoring {
  @IsIn(REMOVABLE)
  kind!: Removable

  @IsId()
  id!: string
}
