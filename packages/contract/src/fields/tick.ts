import { IsInt, Max, Min } from 'class-validator'
import { together } from './together'

/** The furthest place that can be said, in ticks: far beyond the longest song. */
const FURTHEST = 1e9

/** A place in a song, in ticks from its beginning. */
export const IsTick = (): PropertyDecorator => together(IsInt(), Min(0), Max(FURTHEST))
