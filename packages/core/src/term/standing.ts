/** How far somebody is with an assignment. "Again" came back to be done again; "held" is decided and not given back yet. */
export const STANDINGS = ['not begun', 'begun', 'waiting', 'held', 'again', 'accepted', 'excused'] as const
export type StandingState = (typeof STANDINGS)[number]

/** What is known of one student at one assignment. Moments in ms since 1970. */
export interface Progress {
  /** When something was last done; null where nothing was. */
  readonly editedAt: number | null
  /** When the first version was handed in; null for none. */
  readonly firstHandInAt: number | null
  /** The newest version. */
  readonly newest: {
    readonly handedInAt: number
    readonly isBack: boolean
    /** Decided, whether or not it is back yet. */
    readonly outcome: 'accepted' | 'again' | null
  } | null
  /** When it is due for this student; null for never. */
  readonly dueAt: number | null
  readonly excused: boolean
}

/** How far a student is with an assignment, and what is the matter. */
export interface StandingOfOne {
  readonly state: StandingState
  /** Hours by which the first version came late; 0 where it did not. */
  readonly late: number
  /** Due, and nothing was handed in. */
  readonly missing: boolean
  /** Begun, not handed in, and nothing was done for {@link STOPPED_DAYS} days. */
  readonly stopped: boolean
}

const HOUR = 3_600_000
const DAY = 24 * HOUR
/** Who has done nothing for so many days has stopped. */
export const STOPPED_DAYS = 4

/** @param now in ms since 1970 */
export function standingOfOne(
  { editedAt, firstHandInAt, newest, dueAt, excused }: Progress,
  now: number,
): StandingOfOne {
  const state = stateOf({ editedAt, newest, excused })
  const open = !excused && newest === null
  return {
    state,
    late: dueAt !== null && firstHandInAt !== null ? Math.max(0, (firstHandInAt - dueAt) / HOUR) : 0,
    missing: open && dueAt !== null && dueAt < now,
    stopped:
      !excused &&
      editedAt !== null &&
      now - editedAt > STOPPED_DAYS * DAY &&
      (newest === null || (state === 'again' && now - newest.handedInAt > STOPPED_DAYS * DAY)),
  }
}

function stateOf({
  editedAt,
  newest,
  excused,
}: Pick<Progress, 'editedAt' | 'newest' | 'excused'>): StandingState {
  if (newest?.isBack) return newest.outcome === 'accepted' ? 'accepted' : 'again'
  if (newest) return newest.outcome ? 'held' : 'waiting'
  if (excused) return 'excused'
  return editedAt === null ? 'not begun' : 'begun'
}
