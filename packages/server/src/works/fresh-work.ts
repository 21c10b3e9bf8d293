import type { WorkDocument } from '@rudlo/core/mix'
import { readMix } from '@rudlo/core/stored'
import type { Assignment } from '../assignments/entities'

/** The work that everybody begins with. */
export const freshWork = ({ startingMix }: Pick<Assignment, 'startingMix'>): WorkDocument => ({
  mix: readMix(startingMix),
  notes: [],
})
