import type { Asked, Evidence, Finding, Verdict } from '../evidence'
import { trackLevel } from '../mix'
import { judge, kindOf, type Check } from '../checks'
import type { BriefTask } from './brief'

/** A check with what it found. */
export interface JudgedCheck {
  readonly check: string
  /** The kind of the check; missing in what was judged before it was kept. */
  readonly kind?: string
  /** What its kind was called where it was judged. */
  readonly name: string
  readonly finding: Finding
  /** What it was before the teacher overruled it, and why. */
  readonly overruled?: { readonly was: Verdict; readonly why: string }
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
  tasks: readonly Pick<BriefTask, 'id' | 'checks' | 'otherWays'>[],
): JudgedTask[] {
  return tasks.map(({ id, checks, otherWays }) => {
    const judged = checks
      .filter((c) => evidence.heard || !needsSound(c))
      .map((check) => judged1(evidence, check, otherWays))
    return { task: id, checks: judged, verdict: judged.length < checks.length ? null : wholeVerdict(judged) }
  })
}

/** What tasks ask for, lane by lane. */
export function askedOf(tasks: readonly Pick<BriefTask, 'checks' | 'from' | 'to'>[]): Asked[] {
  return tasks.flatMap((task) =>
    task.checks.map(({ kind, values }) => {
      const fields = Object.entries(kindOf(kind).fields)
      const places = fields.flatMap(([name, f]) => (f.type === 'place' ? [Number(values[name])] : []))
      const lanes = fields.flatMap(([name, f]) => {
        const value = values[name]
        if (f.type === 'lanes') return Array.isArray(value) ? value.map(String) : []
        return f.type === 'lane' ? [String(value)] : f.type === 'track' ? [trackLevel(String(value))] : []
      })
      return {
        kind,
        lanes,
        from: places.length ? Math.min(...places) : task.from,
        to: places.length ? Math.max(...places) : task.to,
      }
    }),
  )
}

/** Whether a check must be heard. */
export const needsSound = (check: Check) => kindOf(check.kind).needs === 'sound'

function judged1(evidence: Evidence, check: Check, otherWays?: boolean): JudgedCheck {
  return {
    check: check.id,
    kind: check.kind,
    name: kindOf(check.kind).name,
    finding: judge(evidence, check, otherWays),
  }
}

/** The verdict of a task by its checks: met if all are, close if none is "not yet"; null without checks. */
export const wholeVerdict = (checks: readonly JudgedCheck[]): Verdict | null =>
  verdictOfAll(checks.map((c) => c.finding.verdict))

/** The verdict of several together: met if all are, close if none is "not yet"; null for none. */
export function verdictOfAll(all: readonly Verdict[]): Verdict | null {
  if (!all.length) return null
  return all.includes('not yet') ? 'not yet' : all.includes('close') ? 'close' : 'met'
}
