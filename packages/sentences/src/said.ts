import type { Assessment, FoundMistake, JudgedCheck, JudgedTask } from '@rudlo/core/brief'
import { CHECK_KINDS } from '@rudlo/core/checks'
import type { Finding } from '@rudlo/core/evidence'
import { mistakeName } from '@rudlo/core/mistakes'
import type { Proposal } from '@rudlo/core/rubric'
import { words } from '@rudlo/words'
import type { SaidFigure, Sayer } from './sayer'

/** A check by its kind, in the language that is spoken; as it was called once, where its kind was not kept. */
const nameOf = ({ kind, name }: Pick<JudgedCheck, 'kind' | 'name'>): string =>
  CHECK_KINDS.find((k) => k.kind === kind)?.name ?? name

/** Why a mark is proposed: the checks that it rests on, those that are not met first. */
export function saidProposal({ met, of, open, holds }: Proposal): string {
  const listed = (checks: Proposal['open']) => [...new Set(checks.map(nameOf))].join(', ')
  if (!open.length) return words('mark.all', { of, holds: listed(holds) }, of)
  const names = { met, of, open: listed(open), holds: listed(holds) }
  return words(met === of ? 'mark.own' : met ? 'mark.some' : 'mark.none', names)
}

/** What a check found, as it is read. */
export interface SaidFinding extends Omit<Finding, 'says' | 'figures' | 'way'> {
  readonly sentence: string
  readonly figures: readonly SaidFigure[]
}
export interface SaidCheck extends Omit<JudgedCheck, 'finding'> {
  readonly finding: SaidFinding
}
export interface SaidTask extends Omit<JudgedTask, 'checks'> {
  readonly checks: readonly SaidCheck[]
}
export interface SaidMistake extends Omit<FoundMistake, 'says'> {
  readonly sentence: string
}
/** Everything that came out of a brief for one mix, as it is read. */
export interface SaidAssessment extends Omit<Assessment, 'tasks' | 'before' | 'mistakes'> {
  readonly tasks: readonly SaidTask[]
  readonly before: readonly SaidTask[]
  readonly mistakes: readonly SaidMistake[]
}

export const saidTasks = (sayer: Sayer, tasks: readonly JudgedTask[]): SaidTask[] =>
  tasks.map((task) => ({
    ...task,
    checks: task.checks.map(({ finding: { verdict, place, figures, ...more }, ...check }): SaidCheck => ({
      ...check,
      name: nameOf(check),
      finding: {
        verdict,
        place,
        sentence: sayer.finding(more),
        figures: figures.map((f) => sayer.figure(f)),
      },
    })),
  }))

export const saidMistake = (sayer: Sayer, { says, ...mistake }: FoundMistake): SaidMistake => ({
  ...mistake,
  name: mistakeName(mistake.kind),
  sentence: sayer.say(says),
})

export const saidAssessment = (sayer: Sayer, assessment: Assessment): SaidAssessment => ({
  ...assessment,
  tasks: saidTasks(sayer, assessment.tasks),
  before: saidTasks(sayer, assessment.before),
  mistakes: assessment.mistakes.map((m) => saidMistake(sayer, m)),
})
