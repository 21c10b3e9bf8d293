import type { Assessment, BriefTask } from '../brief'
import type { Aspect, Rubric } from './rubric'

/** A mark that what was measured speaks for, and why. The teacher decides. */
export interface Proposal {
  /** Index of the level. */
  readonly level: number
  readonly reason: string
}

/** What a kind of check says something about; the rest are about moves. */
const CHECKED: Readonly<Record<string, Aspect>> = {
  'lead over rest': 'balance',
  'in the mix': 'balance',
  'left against right': 'balance',
  evenness: 'balance',
  loudness: 'balance',
  'true peak': 'balance',
  crossing: 'placement',
  drop: 'placement',
  'only lanes': 'tidiness',
  'few points': 'tidiness',
  'no mistake': 'tidiness',
  'by pass': 'tidiness',
}

/** What a mistake speaks against; the rest are about moves. */
const MISTAKEN: Readonly<Record<string, Aspect>> = {
  'too hot': 'balance',
  'too wet': 'balance',
  'wrong tool': 'balance',
  late: 'placement',
  'off grid': 'tidiness',
  'stray lane': 'tidiness',
  'too many points': 'tidiness',
  'left unsafe': 'tidiness',
  'ploughed over': 'tidiness',
  'fader fights': 'tidiness',
}

const WORTH = { met: 1, close: 0.6, 'not yet': 0 } as const
/** What a mistake takes away, for each step of its severity. */
const COST = 0.12

/**
 * Proposes a mark for each line of a rubric that something was measured for. What is met everywhere reaches the level
 * below the highest: the highest is the teacher's to give.
 */
export function proposeMarks(
  { levels, criteria }: Rubric,
  tasks: readonly Pick<BriefTask, 'id' | 'weight'>[],
  { tasks: judged, mistakes }: Pick<Assessment, 'tasks' | 'mistakes'>,
): Readonly<Record<string, Proposal>> {
  const top = levels.length > 2 ? levels.length - 2 : levels.length - 1
  const proposals: Record<string, Proposal> = {}
  for (const { id, aspect } of criteria) {
    if (!aspect) continue
    const checks = judged.flatMap((task) =>
      task.checks
        .filter((c) => (CHECKED[c.kind ?? ''] ?? 'moves') === aspect)
        .map((c) => ({ ...c, weight: tasks.find((t) => t.id === task.task)?.weight ?? 1 })),
    )
    const against = mistakes.filter((m) => (MISTAKEN[m.kind] ?? 'moves') === aspect)
    if (!checks.length && (aspect === 'balance' || aspect === 'moves')) continue
    const weight = checks.reduce((sum, c) => sum + c.weight, 0)
    const share = checks.length
      ? checks.reduce((sum, c) => sum + c.weight * WORTH[c.finding.verdict], 0) / weight
      : 1
    const cost = against.reduce((sum, m) => sum + m.severity * COST, 0)
    proposals[id] = {
      level: Math.max(0, Math.min(top, Math.round((share - cost) * top))),
      reason: reasonOf(
        checks.map((c) => c.finding.verdict),
        against.map((m) => m.name),
      ),
    }
  }
  return proposals
}

function reasonOf(verdicts: readonly string[], mistakes: readonly string[]): string {
  const met = verdicts.filter((v) => v === 'met').length
  const parts: string[] = []
  if (verdicts.length)
    parts.push(
      met === verdicts.length
        ? verdicts.length === 1
          ? 'the check is met'
          : `all ${met} checks are met`
        : `${met} of ${verdicts.length} ${verdicts.length === 1 ? 'check is' : 'checks are'} met`,
    )
  const names = [...new Set(mistakes)]
  if (names.length) parts.push(names.join(', ').toLowerCase())
  else if (!verdicts.length) parts.push('no mistake of this kind was found')
  return parts.join('; ')
}
