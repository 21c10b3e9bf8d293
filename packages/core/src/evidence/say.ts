import type { Part } from '../saying'
import type { Evidence } from './evidence'

/** How many beats a tick is late; below 0 where it is early. */
export function late({ time }: Evidence, tick: number, wanted: number): Part {
  return { late: (tick - wanted) / time.meter.lengthsAt(wanted).beat }
}
