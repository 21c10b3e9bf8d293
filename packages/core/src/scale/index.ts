/** Controls: scales between value and travel, units, and the registry of every control there is. */
export { clamp, type Scale } from './scale'
export { levelScale, levelGain, levelGainOfTravel, SILENCE_DB, SILENT_TRAVEL } from './level'
export { linearScale } from './linear'
export { logScale } from './log'
export { switchScale } from './switch'
export { raised, riseBetween } from './raise'
export * from './unit'
export * from './control'
