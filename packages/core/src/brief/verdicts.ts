import type { Finding, Verdict } from '../evidence'
import type { Evidence } from '../evidence'
import { judge, kindOf, type Check } from '../checks'
import type { BriefTask } from './brief'

/** A check with what it found. */
export interface JudgedCheck {
  readonly check: string
  /** The kind of the check; missing in what was judged before it was kept. */
  readonly kind?: string
  readonly name: string
  readonly finding: Finding
}

/** A task with what its checks found. */
export interface JudgedTask {
  readonly task: string
  readonly checks: readonly JudgedCheck[]
  /** Met if all are, close if none is "not yet"; null without checks. */
  readonly verdict: Verdict | null
}

/** Judges tasks; without sound the checks that need it are left out. */
export function judgeTasks(
  evidence: Evidence,
  tasks: readonly Pick<BriefTask, 'id' | 'checks'>[],
): JudgedTask[] {
  return tasks.map(({ id, checks }) => {
    const judged = checks
      .filter((c) => evidence.heard || !needsSound(c))
      .map((check) => judged1(evidence, check))
    return { task: id, checks: judged, verdict: judged.length < checks.length ? null : whole(judged) }
  })
}

/** Whether a check must be heard. */
export const needsSound = (check: Check) => kindOf(check.kind).needs === 'sound'

function judged1(evidence: Evidence, check: Check): JudgedCheck {
  return {
    check: check.id,
    kind: check.kind,
    name: kindOf(check.kind).name,
    finding: judge(evidence, check),
  }
}

function whole(checks: readonly JudgedCheck[]): Verdict | null {
  if (!checks.length) return null
  const all = checks.map((c) => c.finding.verdict)
  return all.includes('not yet') ? 'not yet' : all.includes('close') ? 'close' : 'met'
}
