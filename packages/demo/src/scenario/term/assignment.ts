import type { Brief } from '@rudlo/core/brief'
import type { Points } from '@rudlo/core/envelope'
import type { Address, Mix } from '@rudlo/core/mix'
import { usualRubric, type Rubric } from '@rudlo/core/rubric'
import type { Score } from '../../songs'
import type { StudentName } from '../people'

/** A remark that the teacher pinned. */
export interface PlannedRemark {
  readonly lane: string
  readonly from: number
  readonly to: number
  readonly text: string
  /** A suggested line for the lane. */
  readonly suggestion?: Points
}

export interface PlannedReview {
  readonly marks: Readonly<Record<string, number>>
  readonly comment: string
  readonly remarks: readonly PlannedRemark[]
  readonly outcome: 'accepted' | 'again'
}

/** A command that made a work, as far as somebody looks at it. */
export interface PlannedCommand {
  readonly label: string
  readonly lanes: readonly Address[]
  readonly from: number
  readonly to: number
  readonly how: string
}

/** What a student did to the starting mix. */
export interface PlannedWork {
  readonly student: StudentName
  readonly lines: Readonly<Record<Address, Points>>
  /** Settings, by address. */
  readonly settings?: Readonly<Record<Address, number>>
  /** Lines that were left switched off. */
  readonly off?: readonly Address[]
  readonly commands?: readonly PlannedCommand[]
  /** Minutes in which something was done, up to when it was handed in. */
  readonly minutes?: number
  /** How many hints of the first task were opened. */
  readonly hints?: number
  /** Hours before the demo is set up; now where it is missing. */
  readonly hoursAgo?: number
}

/** One version of a student's work that was handed in. */
export interface PlannedHandIn extends PlannedWork {
  /** Hours before the demo is set up. */
  readonly hoursAgo: number
  readonly said?: string
  /** Tracks on which the hand was left writing. */
  readonly writing?: readonly string[]
  readonly review?: PlannedReview
}

/** One assignment of the term, with everything that was made for it. */
export interface PlannedAssignment {
  readonly score: Score
  readonly title: string
  /** Days before the demo is set up on which it was given. */
  readonly daysAgo: number
  readonly dueInHours: number
  readonly rubric: Rubric
  readonly brief: Brief
  readonly start: (plain: Mix) => Mix
  /** The lines of the model; none where there is no model. */
  readonly model?: Pick<PlannedWork, 'lines' | 'settings'>
  readonly handIns: readonly PlannedHandIn[]
  readonly begun: readonly PlannedWork[]
  /** Who need not do it, and why. */
  readonly excused?: readonly { readonly student: StudentName; readonly reason: string }[]
}

/** A mix with faders and pans set, and lanes that are open. */
export function balanced(
  plain: Mix,
  balance: Readonly<Record<string, readonly [level: number, pan: number]>>,
  open: readonly Address[],
): Mix {
  return {
    ...plain,
    tracks: plain.tracks.map((t) => {
      const [level, pan] = balance[t.id] ?? [0, 0]
      return { ...t, level, pan }
    }),
    envelopes: open.map((address, i) => ({ id: `line-${i + 1}`, address, on: true, open: true, points: [] })),
  }
}

const usual = (id: string) => usualRubric().criteria.find((c) => c.id === id)!

/** What most assignments of the term are marked by. */
export const TERM_RUBRIC: Rubric = {
  levels: usualRubric().levels,
  criteria: [
    {
      ...usual('fades'),
      id: 'moves',
      name: 'Moves',
      about: 'They do what was asked, at the right time, and come back.',
    },
    usual('balance'),
    usual('tidiness'),
  ],
}
