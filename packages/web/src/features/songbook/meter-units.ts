import type { MeterChange } from '@rudlo/core/time'

/** Note values that a beat can be, to choose from. */
export const METER_UNITS = ([1, 2, 4, 8, 16, 32] as const satisfies readonly MeterChange['unit'][]).map(
  (value) => ({ value, text: `1/${value}` }),
)
