import type { Evidence } from '../evidence'
import { cutOff } from './kinds/cut-off'
import { drift } from './kinds/drift'
import { echoStays } from './kinds/echo-stays'
import { faderFights } from './kinds/fader-fights'
import { late } from './kinds/late'
import { leftUnsafe } from './kinds/left-unsafe'
import { neverBack } from './kinds/never-back'
import { offGrid } from './kinds/off-grid'
import { ploughedOver } from './kinds/ploughed-over'
import { strayLane } from './kinds/stray-lane'
import { tailCut } from './kinds/tail-cut'
import { tooHot } from './kinds/too-hot'
import { tooManyPoints } from './kinds/too-many-points'
import { tooWet } from './kinds/too-wet'
import { wrongTool } from './kinds/wrong-tool'
import type { Mistake, MistakeKind } from './mistake'

/** The usual mistakes. */
export const MISTAKES: readonly MistakeKind[] = [
  drift,
  neverBack,
  cutOff,
  late,
  tooHot,
  tailCut,
  strayLane,
  ploughedOver,
  faderFights,
  tooManyPoints,
  wrongTool,
  tooWet,
  leftUnsafe,
  offGrid,
  echoStays,
]

/**
 * Finds mistakes, worst first.
 * @param kinds to look for; all if not given. Without sound those that need it are found as far as lines tell.
 */
export function mistakesOf(evidence: Evidence, kinds?: readonly string[]): Mistake[] {
  return MISTAKES.filter((m) => !kinds || kinds.includes(m.kind))
    .flatMap((m) => m.find(evidence))
    .sort((a, b) => b.severity - a.severity || a.place.from - b.place.from)
}
