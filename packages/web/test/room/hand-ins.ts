import type { StudentAssignment } from '@rudlo/contract/assignments'
import type { QueueEntry, ReviewedHandIn } from '@rudlo/contract/handins'
import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withPoints } from '@rudlo/core/mix'
import { usualRubric } from '@rudlo/core/rubric'
import { shortSong } from '../short-song'

export const REED = trackLevel('reed')
const plain = plainMix(shortSong)
const WHEN = '2026-03-02T10:00:00.000Z'

/** An assignment on a short song, with one task on its only line. */
export const assignment: StudentAssignment = {
  id: 'a',
  title: 'Out and in',
  purpose: '',
  tasks: ['Fade'],
  song: 'Reeds',
  group: 'Thursday',
  place: '',
  dueAt: null,
  opensAt: null,
  draft: false,
  rubric: usualRubric(),
  startingMix: plain,
  songVersion: 's',
  songDocument: shortSong,
  handInLimit: null,
  hasModel: false,
  brief: {
    purpose: '',
    open: [REED],
    answers: 'asked',
    hintsAfter: 1,
    repairs: true,
    tasks: [
      { id: 't', title: 'Fade', text: '', lanes: [REED], from: 0, to: 3840, checks: [], hints: 0, weight: 1 },
    ],
  },
}

/** A hand-in whose line begins at so many dB, with remarks on it. */
export function handedIn(
  id: string,
  student: string,
  db: number,
  remarks: readonly string[] = [],
): ReviewedHandIn {
  const mix = withPoints(plain, REED, [point(0, db), point(3840, -6)], () => 'line')
  return {
    id,
    workId: `w-${id}`,
    number: 1,
    state: 'given back',
    document: { mix, notes: [] },
    measurement: null,
    assessment: null,
    said: '',
    outcome: 'again',
    handedInAt: WHEN,
    givenBackAt: WHEN,
    openedAt: null,
    measureProblem: null,
    assignment: 'a',
    student,
    before: null,
    versions: [{ id, number: 1 }],
    late: 0,
    saidBefore: null,
    hints: [],
    review: {
      marks: {},
      comment: `To ${student}.`,
      overrules: {},
      revision: 1,
      reviewer: 'Maren Holt',
      remarks: remarks.map((text, i) => ({
        id: `r${i}`,
        lane: REED,
        from: i * 960,
        to: i * 960 + 960,
        text,
        subject: '',
        suggestion: null,
        spoken: null,
        revision: 1,
        done: false,
        createdAt: WHEN,
        replies: [],
      })),
    },
  }
}

/** How a hand-in stands in the queue. */
export const queued = ({ id, student, number, state, outcome }: ReviewedHandIn): QueueEntry => ({
  id,
  number,
  state,
  outcome,
  handedInAt: WHEN,
  givenBackAt: WHEN,
  openedAt: null,
  seenAt: null,
  student,
  measureProblem: null,
  newest: true,
  with: null,
  sameAs: [],
  late: 0,
})
