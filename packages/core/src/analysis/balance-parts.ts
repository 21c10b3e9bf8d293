import { log10 } from '../maths'
import type { Role } from '../song'
import { BESIDE } from './rough-balance'

/** A part that was played from notes, before anybody has balanced it. */
export interface PlayedPart {
  readonly role: Role
  /** LUFS by itself; null for silence. */
  readonly loudness: number | null
  /** How hard its notes are played in the mean, 0…1. */
  readonly strength: number
}

/** How loud a song of parts comes in, in LUFS, and how much room it leaves, in dBTP. */
export const MIX_LUFS = -20
export const MIX_PEAK = -6.5
/** How far hard and soft playing move a part, in dB at most. */
const TOUCH = 6

/**
 * How much louder each part has to be made, in dB, so that each sounds as its role does beside the lead, and harder playing
 * louder than softer.
 */
export function balanceParts(parts: readonly PlayedPart[]): number[] {
  const heard = parts.filter((p) => p.loudness !== null && p.strength > 0)
  const usual = heard.reduce((sum, p) => sum + p.strength, 0) / Math.max(1, heard.length)
  return parts.map(({ role, loudness, strength }) => {
    if (loudness === null || !(strength > 0)) return 0
    const touch = Math.max(-TOUCH, Math.min(TOUCH, 20 * log10(strength / usual)))
    return MIX_LUFS - 6 + BESIDE[role] + touch - loudness
  })
}

/** What is still to be added to a whole mix, in dB, so that it is as loud as asked for and leaves the room asked for. */
export const levelOfMix = (loudness: number | null, truePeak: number): number =>
  loudness === null ? 0 : Math.min(MIX_LUFS - loudness, MIX_PEAK - truePeak)
