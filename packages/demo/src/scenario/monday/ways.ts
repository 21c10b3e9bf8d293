import type { MondayName } from './people'
import type { Hand } from './beginners-hand'

/** What somebody did for one assignment of the term. */
export interface Way {
  /** How each version that was handed in was made, the first one first. */
  readonly versions: readonly Hand[]
  /** Days after the date on which the first one came; before it where it is negative. */
  readonly days: number
  /** Begun, and left. */
  readonly begun?: Hand
  /** Why it need not be done. */
  readonly excused?: string
  readonly hints?: number
}

const inTime = (...versions: readonly Hand[]): Way => ({ versions, days: -2 })
const late = (days: number, ...versions: readonly Hand[]): Way => ({ versions, days })
const left = (begun: Hand): Way => ({ versions: [], days: 0, begun })
const hinted = (hints: number, way: Way): Way => ({ ...way, hints })
const excused = (why: string): Way => ({ versions: [], days: 0, excused: why })
const nothing: Way = { versions: [], days: 0 }

/** Everybody's way through the eight assignments of the term. */
export const WAYS: Readonly<Record<MondayName, readonly Way[]>> = {
  // can do it from the first evening on
  alma: [
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
  ],
  // learns: what was drifting in autumn arrives in winter
  bruno: [
    hinted(3, inTime('short', 'good')),
    hinted(3, inTime('drifts', 'short', 'good')),
    hinted(2, inTime('drifts', 'late')),
    hinted(1, inTime('late', 'good')),
    inTime('good'),
    inTime('short', 'good'),
    inTime('good'),
    inTime('stays'),
  ],
  // draws everything in a hundred points, until she finds out how few it takes
  cosima: [
    inTime('good'),
    inTime('crowded'),
    hinted(1, inTime('crowded', 'crowded')),
    inTime('crowded', 'good'),
    inTime('good'),
    inTime('good'),
    inTime('crowded'),
    left('good'),
  ],
  // stopped after the third
  dario: [
    inTime('short'),
    inTime('cut'),
    hinted(2, inTime('late')),
    left('drifts'),
    nothing,
    nothing,
    nothing,
    nothing,
  ],
  // gets slower and slower
  edda: [
    inTime('good'),
    inTime('cut', 'good'),
    late(1, 'short'),
    late(3, 'stays'),
    hinted(3, late(5, 'late')),
    left('short'),
    left('drifts'),
    nothing,
  ],
  // always a little late for the entry
  fynn: [
    inTime('good'),
    inTime('late'),
    inTime('late'),
    hinted(1, inTime('late', 'late')),
    inTime('late'),
    inTime('late'),
    inTime('late'),
    nothing,
  ],
  // good work, never on the day
  greta: [
    late(1, 'good'),
    late(2, 'good'),
    late(1, 'good'),
    late(3, 'good'),
    late(2, 'good'),
    late(1, 'good'),
    left('good'),
    nothing,
  ],
  // leaves things up, and then learns to bring them back
  hanno: [
    inTime('short'),
    inTime('stays'),
    hinted(2, inTime('stays')),
    inTime('stays', 'stays'),
    inTime('stays', 'good'),
    inTime('good'),
    inTime('good'),
    nothing,
  ],
  imke: [
    inTime('good'),
    inTime('cut'),
    inTime('late', 'good'),
    inTime('crowded'),
    inTime('late'),
    hinted(1, inTime('stays')),
    inTime('stays'),
    nothing,
  ],
  joris: [
    inTime('short', 'good'),
    inTime('cut', 'good'),
    inTime('cut', 'good'),
    inTime('late', 'good'),
    inTime('late', 'good'),
    inTime('short', 'good'),
    inTime('stays'),
    nothing,
  ],
  kaja: [
    inTime('good'),
    inTime('good'),
    inTime('short', 'good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('good'),
    inTime('late'),
  ],
  // was ill for two weeks
  lenno: [
    inTime('short'),
    inTime('good'),
    excused('Ill for two weeks'),
    excused('Ill for two weeks'),
    inTime('late', 'late'),
    inTime('good'),
    inTime('stays'),
    nothing,
  ],
  mira: [
    hinted(3, inTime('short')),
    hinted(2, inTime('drifts', 'good')),
    inTime('cut'),
    inTime('stays', 'good'),
    inTime('late', 'good'),
    inTime('good'),
    inTime('good'),
    left('short'),
  ],
  // joined when the others had done five
  nils: [
    nothing,
    nothing,
    nothing,
    nothing,
    nothing,
    hinted(2, inTime('short')),
    hinted(1, inTime('drifts')),
    inTime('drifts'),
  ],
}
