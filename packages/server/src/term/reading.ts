import { readFigures, readKeptBrief, readOverrules } from '@rudlo/core/stored'
import {
  overruledFigures,
  standingOfOne,
  verdictOfTask,
  type Counted,
  type HandInFigures,
  type StandingOfOne,
} from '@rudlo/core/term'
import type { Verdict } from '@rudlo/core/evidence'
import { isBack } from '../handins/entities'
import type { AssignmentRow, OwnRow, WorkRow } from './queries'

/** The figures of a version with the teacher's word over them; null where it was not measured. */
export const standingFigures = ({
  figures,
  overrules,
}: {
  readonly figures: string | null
  readonly overrules: string | null
}): HandInFigures | null =>
  figures === null ? null : overruledFigures(readFigures(figures), readOverrules(overrules))

/** Verdicts of the tasks of a brief, in its order. */
export const verdictsBy = (
  tasks: readonly { readonly id: string }[],
  figures: HandInFigures | null,
): (Verdict | null)[] =>
  figures
    ? tasks.map(({ id }) => {
        const found = figures.tasks.find((t) => t.task === id)
        return found ? verdictOfTask(found) : null
      })
    : []

/** An assignment with its tasks. */
export interface ReadAssignment extends AssignmentRow {
  readonly tasks: readonly { readonly id: string; readonly title: string; readonly lane: string | null }[]
}

export function readAssignment(row: AssignmentRow): ReadAssignment {
  const { tasks } = readKeptBrief(row.brief)
  return { ...row, tasks: tasks.map(({ id, title, lanes }) => ({ id, title, lane: lanes[0] ?? null })) }
}

/** One student at one assignment, with what was read of it. */
export interface Cell {
  readonly assignment: ReadAssignment
  readonly student: string
  readonly row: WorkRow | null
  readonly dueAt: Date | null
  readonly extended: boolean
  readonly standing: StandingOfOne
  readonly figures: HandInFigures | null
  readonly tasks: readonly (Verdict | null)[]
}

const key = (assignment: string, student: string) => `${assignment}/${student}`

/** Every student of a class at every assignment, assignment by assignment. */
export function cellsOf(
  assignments: readonly ReadAssignment[],
  students: readonly { readonly id: string; readonly groupId: string }[],
  works: readonly WorkRow[],
  own: readonly OwnRow[],
  now: Date,
): Cell[] {
  const byKey = new Map(works.map((w) => [key(w.assignment, w.student), w]))
  const dates = new Map(own.filter((o) => o.dueAt).map((o) => [key(o.assignment, o.student), o.dueAt]))
  const excused = new Set(own.filter((o) => o.excused).map((o) => key(o.assignment, o.student)))
  return assignments.flatMap((assignment) =>
    students
      .filter((s) => s.groupId === assignment.groupId)
      .map(({ id: student }): Cell => {
        const at = key(assignment.id, student)
        const row = byKey.get(at) ?? null
        const dueAt = dates.get(at) ?? assignment.dueAt
        const figures = row && standingFigures(row)
        return {
          assignment,
          student,
          row,
          dueAt,
          extended: dates.has(at),
          standing: standingOfOne(
            {
              editedAt: row?.editedAt?.getTime() ?? null,
              firstHandInAt: row?.firstAt?.getTime() ?? null,
              newest: row?.handIn
                ? {
                    handedInAt: row.handedInAt!.getTime(),
                    isBack: isBack({ state: row.state!, givenBackAt: row.givenBackAt }),
                    outcome: row.outcome,
                  }
                : null,
              dueAt: dueAt?.getTime() ?? null,
              excused: excused.has(at),
            },
            now.getTime(),
          ),
          figures,
          tasks: verdictsBy(assignment.tasks, figures),
        }
      }),
  )
}

/** Those of some cells in which something was measured. */
export const countedOf = (cells: readonly Cell[]): Counted[] =>
  cells.flatMap(({ row, figures, student, assignment }) =>
    row?.handIn && figures ? [{ handIn: row.handIn, student, assignment: assignment.id, figures }] : [],
  )
