import type { MeterMap } from './meter-map'

/** The grids that a place can be drawn to. */
export const GRIDS = ['bar', 'beat', 'half-beat', 'quarter-beat', 'third-beat', 'off'] as const
export type Grid = (typeof GRIDS)[number]

/** Distance of the grid's lines around `tick`, in ticks; 1 where the grid is off. */
export function gridStep(meter: MeterMap, grid: Grid, tick: number): number {
  const { bar, beat } = meter.lengthsAt(tick)
  switch (grid) {
    case 'bar':
      return bar
    case 'beat':
      return beat
    case 'half-beat':
      return beat / 2
    case 'quarter-beat':
      return beat / 4
    case 'third-beat':
      return beat / 3
    case 'off':
      return 1
  }
}

/** The grid line nearest to `tick`, never before 0. */
export function snapTick(meter: MeterMap, grid: Grid, tick: number): number {
  const step = gridStep(meter, grid, tick)
  const start = meter.barStart(meter.placeAt(tick).bar)
  return Math.max(0, Math.round(start + Math.round((tick - start) / step) * step))
}

/** The nearest of some places to `tick`; `tick` itself where there are none. @param places in any order */
export function nearestPlace(places: readonly number[], tick: number): number {
  let nearest = tick
  let least = Infinity
  for (const place of places) {
    const distance = Math.abs(place - tick)
    if (distance < least) {
      least = distance
      nearest = place
    }
  }
  return nearest
}
