import { trackLevel } from '@rudlo/core/mix'

export const TIDE = trackLevel('tide')
export const SQUEEZEBOX = trackLevel('squeezebox')
