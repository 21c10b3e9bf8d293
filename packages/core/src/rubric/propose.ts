import type { Assessment, BriefTask, JudgedCheck } from '../brief'
import type { Criterion, Rubric } from './rubric'
import { restsOn } from './rubric'

/** A mark that what was measured speaks for, and why. The teacher decides. */
export interface Proposal {
  /** Index of the level. */
  readonly level: number
  /** How many of the checks that it rests on are met, of how many. */
  readonly met: number
  readonly of: number
  /** What of their tasks is not met, in its order: the mark is kept down by it. */
  readonly open: readonly Pick<JudgedCheck, 'check' | 'kind' | 'name'>[]
  /** Those of its own checks that are met. */
  readonly holds: readonly Pick<JudgedCheck, 'check' | 'kind' | 'name'>[]
}

const WORTH = { met: 1, close: 0.6, 'not yet': 0 } as const

/** A check with what it counts, and what it said of the starting mix. */
interface Weighed extends JudgedCheck {
  readonly task: string
  readonly weight: number
  readonly before: JudgedCheck | undefined
}

/**
 * Proposes a mark for each line of a rubric, from the checks that it rests on and from nothing else. What is met everywhere reaches
 * the level below the highest: the highest is the teacher's to give. What is not met keeps it under that, and nothing is proposed
 * where nothing was done, or nothing was asked.
 */
export function proposeMarks(
  { levels, criteria }: Rubric,
  tasks: readonly Pick<BriefTask, 'id' | 'weight'>[],
  { tasks: judged, before }: Pick<Assessment, 'tasks' | 'before'>,
): Readonly<Record<string, Proposal>> {
  const top = levels.length > 2 ? levels.length - 2 : levels.length - 1
  const all = judged.flatMap((task) =>
    task.checks.map((c): Weighed => ({
      ...c,
      task: task.task,
      weight: tasks.find((t) => t.id === task.task)?.weight ?? 1,
      before: before.find((t) => t.task === task.task)?.checks.find((b) => b.check === c.check),
    })),
  )
  return Object.fromEntries(
    criteria.flatMap((criterion) => {
      const proposal = proposalFor(criterion, all, top)
      return proposal ? [[criterion.id, proposal]] : []
    }),
  )
}

function proposalFor(criterion: Criterion, all: readonly Weighed[], top: number): Proposal | null {
  const kinds = restsOn(criterion)
  const checks = all.filter((c) => kinds.includes(c.kind ?? ''))
  if (!checks.length || !checks.some(wasWorkedOn)) return null
  // a task that is not met as a whole keeps the mark down, whatever of it is missing
  const theirs = all.filter((c) => checks.some((own) => own.task === c.task))
  const open = theirs.filter((c) => c.finding.verdict !== 'met')
  const weight = checks.reduce((sum, c) => sum + c.weight, 0)
  const share = weight ? checks.reduce((sum, c) => sum + c.weight * WORTH[c.finding.verdict], 0) / weight : 0
  const holds = checks.filter((c) => c.finding.verdict === 'met')
  return {
    level: open.length ? Math.min(top - 1, Math.floor(share * top)) : top,
    met: holds.length,
    of: checks.length,
    open: open.map(named),
    holds: holds.map(named),
  }
}

const named = ({ check, kind, name }: Weighed) => ({ check, name, ...(kind === undefined ? {} : { kind }) })

/** Whether a check found something else than in the starting mix: otherwise nothing was done about it. */
function wasWorkedOn({ finding, before }: Weighed): boolean {
  if (!before) return true
  const { verdict, figures, says } = before.finding
  return (
    JSON.stringify([finding.verdict, finding.figures, finding.says]) !==
    JSON.stringify([verdict, figures, says])
  )
}
