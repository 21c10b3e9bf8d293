import type { Verdict } from '../evidence'
import type { StandingOfOne } from './standing'

/** One assignment of a student, as far as it says who needs help. */
export interface HelpSign {
  readonly standing: StandingOfOne
  /** Verdicts of the tasks of the newest hand-in; empty for none. */
  readonly tasks: readonly (Verdict | null)[]
}

/** So many of the newest assignments count: what was long ago says little about now. */
export const HELP_LOOKS_AT = 4
/** What counts how much. */
export const HELP_COUNTS = { missing: 3, stopped: 2, again: 1, 'not yet': 2, close: 1 } as const

/**
 * How much help somebody needs: of the last {@link HELP_LOOKS_AT} assignments each counts 3 where it is due and not handed in, 2
 * where it was begun and left, 1 where it came back to be done again; and of the newest version up to 2, by the tasks that are not
 * met (a task "not yet" in full, one that is close by half). What was accepted counts nothing.
 * @param signs of assignments that were given by now, oldest first
 * @returns from 0, to a tenth
 */
export function needsHelp(signs: readonly HelpSign[]): number {
  const sum = signs
    .slice(-HELP_LOOKS_AT)
    .filter(({ standing }) => standing.state !== 'accepted' && standing.state !== 'excused')
    .reduce((all, { standing, tasks }) => {
      const { missing, stopped, state } = standing
      const judged = tasks.filter((t): t is Verdict => t !== null)
      const open = judged.reduce((n, t) => n + (t === 'met' ? 0 : HELP_COUNTS[t]), 0)
      return (
        all +
        (missing ? HELP_COUNTS.missing : 0) +
        (stopped && !missing ? HELP_COUNTS.stopped : 0) +
        (state === 'again' ? HELP_COUNTS.again : 0) +
        (judged.length ? open / judged.length : 0)
      )
    }, 0)
  return Math.round(sum * 10) / 10
}
