import { words } from '@rudlo/words'
import type { Mix } from '../mix'
import type { CheckPlace, Evidence, Saying } from '../evidence'

/** 3 spoils what the work is about, 2 is heard by most, 1 is tidiness. */
export type Severity = 1 | 2 | 3

/** A repair that can be tried and undone. */
export interface Repair {
  /** What it does, as the name of a step. */
  readonly label: Saying
  readonly mix: Mix
}

/** One of the usual mistakes, found at a place. */
export interface Mistake {
  readonly kind: string
  readonly severity: Severity
  readonly place: CheckPlace
  /** What to listen for, then what to do; for a beginner. */
  readonly says: Saying
  /** The mix with the mistake mended; null where only the person can. Made when it is asked for. */
  readonly repair: (() => Repair) | null
}

/** A kind of mistake. Each is one module of `kinds`. */
export interface MistakeKind {
  readonly kind: string
  /** Whether lines are enough to see it. */
  readonly needs: 'lines' | 'sound'
  find(evidence: Evidence): Mistake[]
}

/** What a kind of mistake is called. */
export const mistakeName = (kind: string): string => words(`mistake.${kind.replaceAll(' ', '-')}.name`)
