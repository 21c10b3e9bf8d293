import { ArrayMaxSize, IsArray } from 'class-validator'
import { AsSent } from '../fields'

/** Surfaces that a person can have taught. */
const MOST = 20

/** Maps of the control surfaces that a person has taught. */
export class ChangedSurfaces {
  /** Documents that the core's `readSurface` reads. */
  @AsSent()
  @IsArray({ message: 'A list of surfaces is wanted' })
  @ArrayMaxSize(MOST, { message: `At most ${MOST} surfaces are kept: forget one that is not used any more` })
  maps!: readonly unknown[]
}

export interface SurfacesView {
  readonly maps: readonly unknown[]
}
