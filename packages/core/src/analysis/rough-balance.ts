import type { Role, SongTrack } from '../song'

/** How loud a track of a role stands beside the lead, in LU: a place to begin, nothing more. */
export const BESIDE: Readonly<Record<Role, number>> = {
  lead: 0,
  voice: 0,
  bass: -4,
  drums: -4,
  chords: -8,
  texture: -12,
  effect: -12,
}

/** Where the louder tracks end up, in LUFS each: a band of eight stays well below full scale. */
const LEAD_LUFS = -23
const HIGHEST = 6
const LOWEST = -30

/**
 * Proposes fader levels from the roles of tracks and how loud they are by themselves.
 * @param loudness of each track at 0 dB in LUFS; null for one that is silent or not measured
 * @returns dB by track; what was not measured stays at 0
 */
export function roughBalance(
  tracks: readonly Pick<SongTrack, 'id' | 'role'>[],
  loudness: Readonly<Record<string, number | null>>,
): Readonly<Record<string, number>> {
  return Object.fromEntries(
    tracks.map(({ id, role }) => {
      const own = loudness[id]
      if (own === null || own === undefined) return [id, 0]
      const wanted = LEAD_LUFS + BESIDE[role] - own
      return [id, Math.round(Math.min(HIGHEST, Math.max(LOWEST, wanted)) * 2) / 2]
    }),
  )
}
