import type { Assessment, FoundMistake, JudgedCheck, JudgedTask } from '../brief'
import { say, type Figure, type Finding, type Saying } from '../evidence'
import type { Move } from '../moves'

/** Sentences were kept as prose before findings were data. */
interface Prose {
  readonly sentence: string
}
type KeptFigure = Figure | { readonly name: string; readonly value: string; readonly wanted: string }
type KeptFinding = Omit<Finding, 'says' | 'figures'> &
  (Prose | Pick<Finding, 'says'>) & { readonly figures: readonly KeptFigure[] }
type KeptCheck = Omit<JudgedCheck, 'finding'> & { readonly finding: KeptFinding }
type KeptTask = Omit<JudgedTask, 'checks'> & { readonly checks: readonly KeptCheck[] }
type KeptMistake = Omit<FoundMistake, 'says'> & (Prose | Pick<FoundMistake, 'says'>)

/** An assessment as this version or an earlier one kept it. */
export type KeptAssessment = Omit<Assessment, 'version' | 'tasks' | 'before' | 'mistakes'> & {
  readonly tasks: readonly KeptTask[]
  readonly before: readonly KeptTask[]
  readonly mistakes: readonly KeptMistake[]
}

/** What was kept as prose, to be said as it is. */
const prose = (text: string): Saying => say('prose', { text: { prose: text } })

const saysOf = (kept: Prose | Pick<Finding, 'says'>): Saying =>
  'says' in kept ? kept.says : prose(kept.sentence)

function completeFigure(figure: KeptFigure): Figure {
  const { name, value, wanted } = figure
  return {
    name,
    value: typeof value === 'string' ? { prose: value } : value,
    wanted: typeof wanted === 'string' ? (wanted ? prose(wanted) : null) : wanted,
  }
}

function completeFinding({ figures, verdict, place, ...kept }: KeptFinding): Finding {
  const way = 'way' in kept && kept.way ? { way: kept.way } : {}
  return { verdict, place, says: saysOf(kept), figures: figures.map(completeFigure), ...way }
}

const completeTasks = (tasks: readonly KeptTask[]): JudgedTask[] =>
  tasks.map((task) => ({
    ...task,
    checks: task.checks.map((check) => ({ ...check, finding: completeFinding(check.finding) })),
  }))

/** An assessment with its findings as data; those that were kept as prose say what they said. */
export const completeAssessment = (kept: KeptAssessment): Assessment => ({
  ...kept,
  version: 2,
  tasks: completeTasks(kept.tasks),
  before: completeTasks(kept.before),
  mistakes: kept.mistakes.map(({ kind, name, severity, place, ...mistake }) => ({
    kind,
    name,
    severity,
    place,
    says: saysOf(mistake),
  })),
})

/** A move with what is measured since it was kept. */
export const completeMove = (move: Move): Move => ({ ...EARLIER_MOVE, ...move })

const EARLIER_MOVE = { steps: 1, rest: 0, overshoot: 0, unsteadiness: 0 } as const
