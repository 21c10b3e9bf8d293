import { dbOfGain, exp, gainOfDb, log, log10, pow } from '../maths'
import { clamp, type Scale } from './scale'

/** At or below this many dB a level is silence: the gain is exactly 0. */
export const SILENCE_DB = -90
const TOP_DB = 6
const UNITY_TRAVEL = 0.75

/** p in gain = (t/0.75)^p: 6/(20·log₁₀(4/3)), about 2.401, so that full travel is +6 dB. */
const POWER = TOP_DB / (20 * log10(4 / 3))

/** ln(t/0.75) of one dB: the same curve as one exponential, since its power makes full travel +6 dB. */
const LN_TRAVEL_PER_DB = log(1 / UNITY_TRAVEL) / TOP_DB

/** Travel of −90 dB on the curve; below it a fader is silent. */
export const SILENT_TRAVEL = UNITY_TRAVEL * pow(gainOfDb(SILENCE_DB), 1 / POWER)

/** Amplitude gain of a fader at `travel`: (t/0.75)^p, and exactly 0 in the silent part. */
export function levelGainOfTravel(travel: number): number {
  return travel <= SILENT_TRAVEL ? 0 : pow(travel / UNITY_TRAVEL, POWER)
}

/** Amplitude gain of a level in dB: exactly 0 at or below −90 dB. */
export function levelGain(db: number): number {
  return db <= SILENCE_DB ? 0 : gainOfDb(db)
}

/** The scale of every fader and send: dB, 0 dB at three quarters of the travel, +6 dB at the top. */
export const levelScale: Scale = {
  kind: 'level',
  min: SILENCE_DB,
  max: TOP_DB,
  silentBelow: SILENT_TRAVEL,
  toTravel: (db) =>
    db <= SILENCE_DB ? 0 : clamp(UNITY_TRAVEL * exp(Math.min(db, TOP_DB) * LN_TRAVEL_PER_DB), 0, 1),
  toValue: (travel) =>
    travel <= SILENT_TRAVEL
      ? SILENCE_DB
      : clamp(POWER * dbOfGain(Math.min(travel, 1) / UNITY_TRAVEL), SILENCE_DB, TOP_DB),
}
