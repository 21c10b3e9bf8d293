import { regionEnds, resolve, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { GRIDS, gridStep, nearestPlace, snapTick, type Grid } from '@rudlo/core/time'
import { computed, ref, shallowRef, watch } from 'vue'
import { regionOnsets } from '../../engine/onset-finder'

/** What places snap to: the grid, or something that is there. */
export const SNAPS = [
  'bar',
  'beat',
  'half-beat',
  'quarter-beat',
  'third-beat',
  'section',
  'region',
  'onset',
  'any onset',
  'play',
  'off',
] as const
export type SnapTo = (typeof SNAPS)[number]

/** What snapping needs to know. */
interface Surroundings {
  song(): SongVersion | null
  time(): SongTime | null
  mix(): Mix | null
  /** The lane that is worked on. */
  lane(): string
  /** The play position in ticks. */
  position(): number
}

/** Where places end up that are set by hand: on the grid, or on something that is there. */
export function useSnapping({ song, time, mix, lane, position }: Surroundings) {
  const grid = ref<SnapTo>('beat')
  /** Where sounds begin on the track at hand, in ticks: known once they were asked for. */
  const onsets = shallowRef<readonly number[]>([])

  /** The track or return whose lane is worked on. */
  const owner = computed(() => {
    const now = mix()
    return now && resolve(now, lane())?.owner
  })

  /** Places that are there to snap to, for those ways of snapping that are no grid. */
  const places = computed<readonly number[]>(() => {
    const [now, timing] = [song(), time()]
    if (!now || !timing) return []
    switch (grid.value) {
      case 'section':
        return [...now.sections.map((s) => s.tick), now.length]
      case 'region': {
        const regions = mix()?.tracks.find((t) => t.id === owner.value)?.regions ?? []
        return regions.flatMap((r) => Object.values(regionEnds(r, timing.tempo, now.length)))
      }
      case 'onset':
      case 'any onset':
        return onsets.value
      case 'play':
        return [Math.round(position())]
      default:
        return []
    }
  })

  /** The regions whose onsets are snapped to: of the track at hand, or of all. */
  const sounding = computed(() => {
    if (grid.value !== 'onset' && grid.value !== 'any onset') return []
    const tracks = mix()?.tracks ?? []
    const wanted = grid.value === 'onset' ? tracks.filter((t) => t.id === owner.value) : tracks
    return wanted.flatMap((t) => t.regions)
  })
  watch(sounding, async (regions) => {
    onsets.value = []
    const [now, timing] = [song(), time()]
    if (!regions.length || !now || !timing) return
    const found = await regionOnsets(regions, now.assets, timing.tempo).catch(() => [])
    if (sounding.value === regions) onsets.value = found
  })

  const isGrid = (to: SnapTo): to is Grid => (GRIDS as readonly string[]).includes(to)

  /** Where a place ends up that is set by hand; `free`: a key is held that switches snapping off. */
  function snap(tick: number, free: boolean): number {
    const length = song()?.length ?? 0
    const inside = Math.min(length, Math.max(0, tick))
    const timing = time()
    if (free || !timing) return Math.round(inside)
    const to = grid.value
    const place = isGrid(to) ? snapTick(timing.meter, to, inside) : nearestPlace(places.value, inside)
    return Math.min(length, Math.round(place))
  }

  /** How far an arrow key moves a point. */
  function step(tick: number): number {
    const { meter } = time()!
    const to = grid.value
    const wide = isGrid(to) ? gridStep(meter, to, tick) : 1
    return wide === 1 ? meter.lengthsAt(tick).beat / 8 : Math.min(meter.lengthsAt(tick).bar, wide)
  }

  /** Width of a cell that is drawn: of the grid, or a beat where there is no grid. */
  function cell(tick: number): number {
    const { meter } = time()!
    const to = grid.value
    return isGrid(to) && to !== 'off' ? gridStep(meter, to, tick) : meter.lengthsAt(tick).beat
  }
  const cellName = computed(() => {
    const to = grid.value
    return isGrid(to) && to !== 'off' ? to.replace('-', ' ') : 'beat'
  })

  /** Whether places snap to something that is there. */
  const snapsToThings = computed(() => !isGrid(grid.value))

  return { grid, onsets, snap, snapsToThings, step, cell, cellName }
}
