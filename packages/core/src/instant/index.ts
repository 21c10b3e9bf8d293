/** Instant loudness: the loudness of a dry mix from a table, without rendering. */
export { crossEnergy, type CrossEnergy } from './cross-energy'
export { InstantLoudness } from './instant-loudness'
