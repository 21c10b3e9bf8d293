import { refOfCheck, refOfMistake } from '@rudlo/core/brief'
import type { CheckPlace, Verdict } from '@rudlo/core/evidence'
import type { SaidAssessment } from '@rudlo/sentences'

/** Something that was found, where, and what it is about. */
export interface Found {
  readonly place: CheckPlace
  readonly sentence: string
  readonly subject: string
  /** By what it can be overruled, and what it becomes then. */
  readonly ref: string
  readonly to: Verdict | null
}

/**
 * What was found and not yet taken into a remark, worst first: unmet checks, then mistakes.
 * @param said what remarks are about already
 */
export function openFindings(assessment: SaidAssessment | null, said: ReadonlySet<string>): Found[] {
  return [
    ...(assessment?.tasks ?? [])
      .flatMap((t) => t.checks)
      .filter((c) => c.finding.verdict !== 'met' && !c.overruled)
      .map((c) => ({
        place: c.finding.place,
        sentence: c.finding.sentence,
        subject: c.name,
        ref: refOfCheck(c),
        to: 'met' as const,
      })),
    ...(assessment?.mistakes ?? []).map((m) => ({
      place: m.place,
      sentence: m.sentence,
      subject: m.name,
      ref: refOfMistake(m),
      to: null,
    })),
  ].filter((f) => !said.has(f.subject))
}
