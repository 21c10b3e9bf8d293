import { words } from '@rudlo/words'
import { ArrayMaxSize, IsArray } from 'class-validator'
import { AsSent } from '../fields'

/** Surfaces that a person can have taught. */
const MOST = 20

/** Maps of the control surfaces that a person has taught. */
export class ChangedSurfaces {
  /** Documents that the core's `readSurface` reads. */
  @AsSent()
  @IsArray({ message: () => words('bad.surfaces.list-surfaces-wanted') })
  @ArrayMaxSize(MOST, { message: () => words('bad.surfaces.most-surfaces-kept', { most: MOST }) })
  maps!: readonly unknown[]
}

export interface SurfacesView {
  readonly maps: readonly unknown[]
}
