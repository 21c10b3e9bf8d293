import type {
  DueAssignment,
  HandUp,
  Named,
  TermAssignment,
  TermCell,
  WaitingHandIn,
} from '@rudlo/contract/term'
import { commonestMistakes, type Counted } from '@rudlo/core/term'
import { textOf } from '../http/moment'
import type { HandRow } from './queries'
import type { Cell, ReadAssignment } from './reading'

export const termAssignmentView = (
  { id, title, dueAt, opensAt, tasks }: ReadAssignment,
  song: string,
  counted: readonly Counted[],
): TermAssignment => ({
  id,
  title,
  song,
  dueAt: textOf(dueAt),
  opensAt: textOf(opensAt),
  tasks,
  mistakes: commonestMistakes(counted.filter((c) => c.assignment === id)),
})

export const termCellView = ({
  assignment,
  student,
  row,
  dueAt,
  extended,
  standing,
  tasks,
}: Cell): TermCell => ({
  assignment: assignment.id,
  student,
  ...standing,
  handIn: row?.handIn ?? null,
  number: row?.number ?? 0,
  handedInAt: textOf(row?.handedInAt ?? null),
  editedAt: textOf(row?.editedAt ?? null),
  dueAt: textOf(dueAt),
  extended,
  tasks,
  hints: Number(row?.hints ?? 0),
})

export const waitingView = ({ assignment, row, standing }: Cell, student: string): WaitingHandIn => ({
  handIn: row!.handIn!,
  number: row!.number!,
  student,
  assignment: assignment.id,
  title: assignment.title,
  group: assignment.groupId,
  handedInAt: textOf(row!.handedInAt!),
  late: standing.late,
  isNew: row!.seenAt === null,
})

export function dueView(
  assignment: ReadAssignment,
  cells: readonly Cell[],
  nameOf: (student: string) => string,
): DueAssignment {
  const named = (holds: (cell: Cell) => boolean): Named[] =>
    cells.filter(holds).map(({ student: id }) => ({ id, name: nameOf(id) }))
  const asked = cells.filter((c) => c.standing.state !== 'excused')
  return {
    assignment: assignment.id,
    title: assignment.title,
    group: assignment.groupId,
    dueAt: textOf(assignment.dueAt!),
    students: asked.length,
    handedIn: asked.filter((c) => c.row?.handIn).length,
    notBegun: named((c) => c.standing.state === 'not begun' && !c.standing.missing),
    stopped: named((c) => c.standing.stopped && !c.standing.missing),
    missing: named((c) => c.standing.missing),
  }
}

export const handView = ({ id, name, group, assignment, title, since }: HandRow): HandUp => ({
  student: { id, name },
  group,
  assignment,
  title,
  since: textOf(since),
})
