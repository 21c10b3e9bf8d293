import type { Check } from '../checks'
import type { Address } from '../mix'

/** When checks answer: the teacher's choice for each assignment. Drawing until a tick appears teaches nothing. */
export const ANSWER_TIMES = ['drawing', 'played', 'asked', 'handed in'] as const
export type AnswerTime = (typeof ANSWER_TIMES)[number]

/** The three levels of a hint: what to listen for, where, and a faint line that shows the form. */
export const HINT_LEVELS = ['listen', 'where', 'show'] as const

/** One thing to do. */
export interface BriefTask {
  readonly id: string
  readonly title: string
  /** Simple rich text: paragraphs, lists, *emphasis*, **strong**. */
  readonly text: string
  /** Addresses of the lanes it is about. */
  readonly lanes: readonly Address[]
  /** Where in the song, in ticks. */
  readonly from: number
  readonly to: number
  readonly checks: readonly Check[]
  /** What the hints say, by level; fewer than three where the teacher wants fewer. */
  readonly hints: readonly string[]
  /** How much it counts beside the others. */
  readonly weight: number
  /** Whether the same sound reached in another way counts: with another control than the one that was asked for. Yes, if missing. */
  readonly otherWays?: boolean
}

/** The assignment as the teacher writes it. */
export interface Brief {
  readonly purpose: string
  readonly tasks: readonly BriefTask[]
  /** Addresses of the lanes that may be changed. */
  readonly open: readonly Address[]
  readonly answers: AnswerTime
  /** Tries at a task after which its hints may be opened. */
  readonly hintsAfter: number
  /** Whether a mistake comes with a repair to try. */
  readonly repairs: boolean
}

/** What a student's browser gets of a task: no hint before it is opened, no check before it may answer. */
export interface StudentTask extends Omit<BriefTask, 'hints' | 'checks'> {
  readonly checks: readonly Check[]
  /** How many hints there are. */
  readonly hints: number
}

export interface StudentBrief extends Omit<Brief, 'tasks'> {
  readonly tasks: readonly StudentTask[]
}

/** A brief with its hints counted: how the bench has it, whoever sits there. */
export const atBench = (brief: Brief): StudentBrief => ({
  ...brief,
  tasks: brief.tasks.map((task) => ({ ...task, hints: task.hints.length })),
})

/** What a student may know of a brief. */
export function forStudent(brief: Brief): StudentBrief {
  return {
    ...brief,
    tasks: brief.tasks.map((task) => ({
      ...task,
      checks: brief.answers === 'handed in' ? [] : task.checks,
      hints: task.hints.length,
    })),
  }
}

/** A brief as it was stored by an earlier version, with what was added since. */
export function completeBrief(
  stored: Omit<Partial<Brief>, 'tasks'> & { readonly tasks?: readonly Partial<BriefTask>[] },
): Brief {
  return {
    purpose: stored.purpose ?? '',
    open: stored.open ?? [],
    answers: stored.answers ?? 'played',
    hintsAfter: stored.hintsAfter ?? 1,
    repairs: stored.repairs ?? true,
    tasks: (stored.tasks ?? []).map((task, i) => ({
      id: task.id ?? `task-${i + 1}`,
      title: task.title ?? '',
      text: task.text ?? '',
      lanes: task.lanes ?? [],
      from: task.from ?? 0,
      to: task.to ?? 0,
      checks: task.checks ?? [],
      hints: task.hints ?? [],
      weight: task.weight ?? 1,
      ...(task.otherWays === undefined ? {} : { otherWays: task.otherWays }),
    })),
  }
}
