/** Musical time: ticks, tempo, time signatures, and how they are written. */
export { TICKS_PER_QUARTER, LONGEST_SONG_TICKS, SAMPLE_RATE } from './ticks'
export { TempoMap, type TempoChange } from './tempo-map'
export { parseSpan, spanShort } from './span-text'
export { tempoRuns, type TempoRun } from './tempo-runs'
export { MeterMap, type MeterChange, type Place } from './meter-map'
export { placeShort, placeInWords, beatInWords, parsePlace, clockText } from './place-text'
export { GRIDS, gridStep, nearestPlace, snapTick, type Grid } from './snap'
