import type { Verdict } from '../evidence'
import type { Assessment, FoundMistake } from './assessment'
import { wholeVerdict, type JudgedCheck } from './verdicts'

/** The teacher's word against what was computed. */
export interface Overrule {
  /** What a check is instead; null for a mistake that is none, and for a mark that only has a reason. */
  readonly verdict: Verdict | null
  /** Why, if the teacher wants to say. */
  readonly why: string
}

/** What was overruled, by what it is about. */
export type Overrules = Readonly<Record<string, Overrule>>

/** Letters of the longest reason. */
export const WHY_LENGTH = 300
/** As many as can be overruled of one hand-in. */
export const MOST_OVERRULES = 200

export const refOfCheck = ({ check }: Pick<JudgedCheck, 'check'>): string => `check:${check}`
export const refOfMark = (criterion: string): string => `mark:${criterion}`
export const refOfMistake = ({ kind, place }: Pick<FoundMistake, 'kind' | 'place'>): string =>
  `mistake:${kind}:${place.lane ?? ''}:${Math.round(place.from)}`

/** An assessment as the teacher lets it stand: verdicts that were overruled are the teacher's, mistakes that were are gone. */
export function overruled(assessment: Assessment, overrules: Overrules): Assessment {
  return {
    ...assessment,
    tasks: assessment.tasks.map((task) => {
      const checks = task.checks.map((check): JudgedCheck => {
        const overrule = overrules[refOfCheck(check)]
        if (!overrule?.verdict) return check
        const { finding } = check
        return {
          ...check,
          finding: { ...finding, verdict: overrule.verdict },
          overruled: { was: finding.verdict, why: overrule.why },
        }
      })
      return { ...task, checks, verdict: task.verdict === null ? null : wholeVerdict(checks) }
    }),
    mistakes: assessment.mistakes.filter((m) => !overrules[refOfMistake(m)]),
  }
}
