import { clamp, MIXER_CONTROLS } from '../scale'
import type { Mix, Region } from './mix'

/** What can be set on a region where it lies: dB, and fades in samples. */
export type RegionChange = Partial<Pick<Region, 'level' | 'fadeIn' | 'fadeOut'>>

/** Finds a region and the track it lies on. */
export function regionOf(mix: Mix, id: string): { readonly track: string; readonly region: Region } | null {
  for (const { id: track, regions } of mix.tracks) {
    const region = regions.find((r) => r.id === id)
    if (region) return { track, region }
  }
  return null
}

/**
 * Changes a region's level or fades, each kept in its range: a fade ends where the other one begins. The same mix
 * where nothing changes.
 * @throws RangeError for a region that the mix does not have
 */
export function withRegion(mix: Mix, id: string, change: RegionChange): Mix {
  const found = regionOf(mix, id)
  if (!found) throw new RangeError(`No region "${id}".`)
  const { region } = found
  const { min, max } = MIXER_CONTROLS.level.scale
  const wanted = { ...region, ...change }
  const fadeIn =
    change.fadeIn === undefined
      ? region.fadeIn
      : clamp(Math.round(wanted.fadeIn), 0, region.length - region.fadeOut)
  const fadeOut =
    change.fadeOut === undefined
      ? region.fadeOut
      : clamp(Math.round(wanted.fadeOut), 0, region.length - fadeIn)
  const next: Region = { ...region, level: clamp(wanted.level, min, max), fadeIn, fadeOut }
  if (next.level === region.level && next.fadeIn === region.fadeIn && next.fadeOut === region.fadeOut)
    return mix
  return {
    ...mix,
    tracks: mix.tracks.map((t) =>
      t.id === found.track ? { ...t, regions: t.regions.map((r) => (r === region ? next : r)) } : t,
    ),
  }
}
