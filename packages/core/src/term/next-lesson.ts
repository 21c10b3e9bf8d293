import type { Counted } from './commonest'

/** Names of the usual lessons that there are, as `brief` has them. */
export type LessonKey =
  | 'first-balance'
  | 'fade-in-and-out'
  | 'make-room'
  | 'raise-solo'
  | 'even-out-singer'
  | 'walk-across'
  | 'long-build'
  | 'one-out-another'
  | 'let-breathe'

/** Which usual lesson teaches what a check asks for. */
const OF_CHECK: Readonly<Record<string, LessonKey>> = {
  'fade in': 'fade-in-and-out',
  'fade out': 'fade-in-and-out',
  silence: 'fade-in-and-out',
  dip: 'make-room',
  returns: 'make-room',
  lift: 'raise-solo',
  build: 'long-build',
  drop: 'long-build',
  throw: 'let-breathe',
  'tail kept': 'let-breathe',
  sweep: 'walk-across',
  position: 'walk-across',
  crossing: 'one-out-another',
  'lead over rest': 'first-balance',
  'in the mix': 'first-balance',
  'left against right': 'first-balance',
  evenness: 'even-out-singer',
}

/** Which usual lesson helps against a mistake. */
const OF_MISTAKE: Readonly<Record<string, LessonKey>> = {
  drift: 'make-room',
  'never back': 'raise-solo',
  'cut off': 'fade-in-and-out',
  late: 'make-room',
  'too hot': 'long-build',
  'tail cut': 'let-breathe',
  'wrong tool': 'first-balance',
  'too wet': 'let-breathe',
  'echo stays': 'let-breathe',
}

/** What to teach next, and whom it is for. */
export interface NextLesson {
  readonly about: 'check' | 'mistake'
  /** The kind of check or mistake. */
  readonly kind: string
  readonly lesson: LessonKey
  /** Ids of those who have not got it yet. */
  readonly students: readonly string[]
  /** How many were asked for it, or handed in. */
  readonly of: number
}

/** Nobody plans a lesson for fewer. */
const FEWEST = 2

/**
 * What could be taught next: for each usual lesson the kind of check that most have not met, or the mistake that most make, by the
 * share of those who were asked for it; the largest share first. Of each student the newest hand-in that says something counts.
 * @param handIns the newest of each student and assignment, oldest assignment first
 */
export function nextLessons(handIns: readonly Counted[]): NextLesson[] {
  const checks = new Map<string, Map<string, boolean>>()
  const mistakes = new Map<string, Map<string, boolean>>()
  const note = (all: Map<string, Map<string, boolean>>, kind: string, student: string, lacks: boolean) => {
    const known = all.get(kind) ?? new Map<string, boolean>()
    all.set(kind, known.set(student, lacks))
  }
  for (const { student, figures } of handIns) {
    const here = new Map<string, boolean>()
    for (const { kind, verdict } of figures.tasks.flatMap((t) => t.checks))
      here.set(kind, (here.get(kind) ?? false) || verdict !== 'met')
    for (const [kind, lacks] of here) note(checks, kind, student, lacks)
    for (const kind of Object.keys(OF_MISTAKE))
      note(
        mistakes,
        kind,
        student,
        figures.mistakes.some((m) => m.kind === kind),
      )
  }
  const all = [
    ...[...checks].map(([kind, who]) => proposal('check', kind, OF_CHECK[kind], who)),
    ...[...mistakes].map(([kind, who]) => proposal('mistake', kind, OF_MISTAKE[kind], who)),
  ].filter((p): p is NextLesson => p !== null)
  const share = (p: NextLesson) => p.students.length / p.of
  all.sort(
    (a, b) => share(b) - share(a) || b.students.length - a.students.length || (a.kind < b.kind ? -1 : 1),
  )
  return all.filter((p, i) => all.findIndex((q) => q.lesson === p.lesson) === i)
}

function proposal(
  about: NextLesson['about'],
  kind: string,
  lesson: LessonKey | undefined,
  who: ReadonlyMap<string, boolean>,
): NextLesson | null {
  const students = [...who].filter(([, lacks]) => lacks).map(([student]) => student)
  return lesson && students.length >= FEWEST ? { about, kind, lesson, students, of: who.size } : null
}
