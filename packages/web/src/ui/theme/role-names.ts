import type { Role } from '@rudlo/core/song'

/** The mark of what a track does in the song. */
export const ROLE_ICONS: Readonly<Record<Role, string>> = {
  lead: '$lead',
  voice: '$voice',
  bass: '$bass',
  drums: '$drums',
  chords: '$chords',
  texture: '$texture',
  effect: '$effect',
}
