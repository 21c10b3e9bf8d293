import type { Role } from '@rudlo/contract/access'
import type { HandInView, NotHandedIn, QueueEntry, VersionOf } from '@rudlo/contract/handins'
import { readAssessment, readMeasurement, readWork } from '@rudlo/core/stored'
import { textOf } from '../http/moment'
import { isBack, stateFor, type HandIn } from './entities'
import type { MissingRow, QueueRow } from './queries'

/** A hand-in without its review: always visible to both sides. */
export function handInView(handIn: HandIn, reader: Role): HandInView {
  const { id, workId, number, document, measurement, assessment, said, handedInAt } = handIn
  const back = reader === 'teacher' || isBack(handIn)
  return {
    id,
    workId,
    number,
    state: stateFor(reader, handIn),
    // listening notes are the student's own, to self: they go no further
    document: { ...readWork(document), notes: [] },
    measurement: measurement === null ? null : readMeasurement(measurement),
    assessment: assessment === null ? null : readAssessment(assessment),
    said,
    outcome: back && handIn.state !== 'waiting' ? handIn.outcome : null,
    handedInAt: textOf(handedInAt),
    givenBackAt: back ? textOf(handIn.givenBackAt) : null,
    openedAt: back ? textOf(handIn.openedAt) : null,
    // why there are no figures; for the teacher, who can have it measured again
    measureProblem: reader === 'teacher' ? handIn.measureProblem : null,
  }
}

const HOUR = 3_600_000
/** Hours by which something came late; 0 where it did not. */
export const hoursLate = (at: Date, due: Date | null): number =>
  due === null ? 0 : Math.max(0, (at.getTime() - due.getTime()) / HOUR)

export const notHandedInView = ({ begun, dueAt, ...row }: MissingRow): NotHandedIn => ({
  ...row,
  begun: Boolean(Number(begun)),
  dueAt: textOf(dueAt),
})

export const versionView = ({ id, number }: HandIn): VersionOf => ({ id, number })

/** @param all every row of the queue: whoever did it together, and whose is the same, is found among them */
export function queueView(row: QueueRow, all: readonly QueueRow[]): QueueEntry {
  const { sameAs, workId, pair, newest, handedInAt, givenBackAt, openedAt, seenAt, firstAt, dueAt, ...rest } =
    row
  const others = all.filter((r) => r.workId !== workId)
  const isPartner = (r: QueueRow) => pair !== null && r.pair === pair
  const same = sameAs === null ? [] : others.filter((r) => r.sameAs === sameAs && !isPartner(r))
  return {
    ...rest,
    handedInAt: textOf(handedInAt),
    givenBackAt: textOf(givenBackAt),
    openedAt: textOf(openedAt),
    seenAt: textOf(seenAt),
    with: others.find(isPartner)?.student ?? null,
    late: hoursLate(firstAt, dueAt),
    newest: Number(newest) === 1,
    sameAs: [...new Set(same.map((r) => r.student))],
  }
}
