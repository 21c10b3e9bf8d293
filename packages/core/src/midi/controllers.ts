import { dbOfGain, gainOfDb } from '../maths'

/** Volume controllers are gains by their square (General MIDI, recommended practice RP-015). */
export const volumeDbOf = (value: number): number =>
  value <= 0 ? -90 : Math.max(-90, dbOfGain((value / 127) * (value / 127)))

/** Sends by the same square, +6 dB at the top. */
export const sendDbOf = (value: number): number => Math.max(-90, value <= 0 ? -90 : volumeDbOf(value) + 6)

/** What share of a controller's range a level in dB is: its gain by the square, +6 dB at the top. */
export const levelShare = (db: number): number =>
  db <= -90 ? 0 : Math.sqrt(gainOfDb(Math.min(6, db)) / gainOfDb(6))

/** The level in dB that a share of a controller's range is: {@link levelShare} undone. */
export const levelOfShare = (share: number): number =>
  share <= 0 ? -90 : Math.max(-90, dbOfGain(share * share * gainOfDb(6)))

/** What share of a controller's range a value from −1 to +1 is. */
export const centredShare = (value: number): number => (value + 1) / 2

/** The five effect depths of MIDI 1.0: reverb first, chorus third. The returns of a mix take them in their order. */
export const DEPTHS = [91, 92, 93, 94, 95] as const
