import type { ChangedMark, GradeCell, GradedAssignment, OverallByHand } from '@rudlo/contract/grades'
import { shareOfMarks } from '@rudlo/core/grades'
import type { Rubric } from '@rudlo/core/rubric'
import { readMarks } from '@rudlo/core/stored'
import { textOf } from '../http/moment'
import type { Cell, ReadAssignment } from '../term/reading'
import type { ChangeRow, OverallRow } from './queries'

export const gradedAssignmentView = (
  { id, title, dueAt }: ReadAssignment,
  { criteria, levels }: Rubric,
): GradedAssignment => ({
  id,
  title,
  dueAt: textOf(dueAt),
  criteria: criteria.map((c) => ({ id: c.id, name: c.name })),
  levels,
})

export function gradeCellView(
  { assignment, student, row, standing }: Cell,
  rubric: Rubric,
  excused: string | null,
  changes: readonly ChangeRow[],
): GradeCell {
  const marks = row?.marks ? readMarks(row.marks) : {}
  const level = (n: number | null) => (n === null ? '' : (rubric.levels[n] ?? ''))
  return {
    assignment: assignment.id,
    student,
    handIn: row?.handIn ?? null,
    marks,
    share: shareOfMarks(rubric, marks),
    missing: standing.missing,
    late: standing.late,
    excused,
    changes: changes.map(({ criterion, was, became, by, at }): ChangedMark => ({
      criterion,
      was: level(was),
      became: level(became),
      by,
      at: textOf(at),
    })),
  }
}

export const byHandView = ({ share, reason, by, at }: OverallRow): OverallByHand => ({
  share,
  reason,
  by,
  at: textOf(at),
})
