import type { CheckPlace, Figure, Finding, Saying, Verdict } from '../evidence'
import { weakest } from './check'

/** One thing that has to be so: how far it is, and what is said where it is not. */
export interface Condition {
  readonly verdict: Verdict
  readonly says: Saying
}

/** The weakest condition decides, and is what is said: the first of them, in the order in which one listens. */
export function conclude(
  place: CheckPlace,
  figures: readonly Figure[],
  conditions: readonly Condition[],
  met: Saying,
): Finding {
  const verdict = weakest(...conditions.map((c) => c.verdict))
  const failing = conditions.find((c) => c.verdict === verdict)
  return { verdict, says: verdict === 'met' || !failing ? met : failing.says, place, figures }
}

/** A verdict with one sentence. */
export const found = (
  verdict: Verdict,
  says: Saying,
  place: CheckPlace,
  figures: readonly Figure[] = [],
): Finding => ({ verdict, says, place, figures })
