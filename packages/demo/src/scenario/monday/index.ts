/** A term of the Monday class: eight assignments over three months, and everybody's way through them. */
import type { PlannedAssignment, PlannedHandIn, PlannedWork } from '../term/assignment'
import { ASKED, type Asked } from './assignments'
import { madeBy, wobble } from './beginners-hand'
import { MONDAY_STUDENTS } from './people'
import { reviewOf } from './reviews'
import { WAYS, type Way } from './ways'

export * from './people'

const DAY = 24
/** Days ago on which each was given: three months. */
const GIVEN = [86, 75, 65, 54, 43, 32, 19, 4]
/** Each is due after so many days. */
const DUE = 9
/** Given back by now: the later ones wait, or are still worked on. */
const REVIEWED = 6

/** Hours ago of the n-th version: the first by the way of its student, each further one four days later. */
function hoursAgo(i: number, { days }: Way, n: number, who: string): number {
  const due = (GIVEN[i]! - DUE) * DAY
  const hours = due - days * DAY - n * 4 * DAY + wobble(who, i, n) * 9
  return Math.max(3 + wobble(who, i) * 2, hours)
}

function planned(asked: Asked, i: number): PlannedAssignment {
  const handIns: PlannedHandIn[] = []
  const begun: PlannedWork[] = []
  const excused: { student: PlannedWork['student']; reason: string }[] = []
  for (const { signIn: student } of MONDAY_STUDENTS) {
    const way = WAYS[student][i]!
    const hints = way.hints ?? 0
    for (const [n, hand] of way.versions.entries()) {
      const who = `${student}/${i}/${n}`
      const isLast = n === way.versions.length - 1
      handIns.push({
        student,
        ...madeBy(hand, asked.good, who),
        hoursAgo: hoursAgo(i, way, n, student),
        minutes: Math.round(24 + wobble(who, 'minutes') * 14),
        hints,
        ...(i < REVIEWED ? { review: reviewOf(hand, asked.rubric, who, isLast) } : {}),
      })
    }
    if (way.begun)
      begun.push({
        student,
        ...madeBy(way.begun, asked.good, `${student}/${i}`),
        minutes: 9,
        hints,
        hoursAgo: i < REVIEWED ? (GIVEN[i]! - DUE + 2) * DAY : (3 - (i % 2)) * DAY,
      })
    if (way.excused) excused.push({ student, reason: way.excused })
  }
  const { score, title, rubric, brief, start } = asked
  return {
    score,
    title,
    rubric,
    brief,
    start,
    daysAgo: GIVEN[i]!,
    dueInHours: (DUE - GIVEN[i]!) * DAY,
    handIns: handIns.sort((a, b) => b.hoursAgo - a.hoursAgo),
    begun,
    excused,
  }
}

/** The assignments of the Monday class, in their order. */
export const MONDAY_TERM: readonly PlannedAssignment[] = ASKED.map(planned)

/** What the teacher notes about some of them. */
export const MONDAY_NOTES: readonly { readonly student: PlannedWork['student']; readonly text: string }[] = [
  {
    student: 'dario',
    text: 'Has football on Tuesdays and Thursdays. Ask whether Monday before the lesson is better.',
  },
  { student: 'fynn', text: 'Hears at once that it is late when it is played to him. Count in together.' },
]
