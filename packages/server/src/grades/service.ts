import { words } from '@rudlo/words'
import type { Kept } from '@rudlo/contract/common'
import type { ChangedScheme, Excuse, GradesView, OverallMark } from '@rudlo/contract/grades'
import { overallOf, readScheme, usualScheme, type GradeScheme } from '@rudlo/core/grades'
import { usualRubric } from '@rudlo/core/rubric'
import { isObject, readKept, readKeptRubric } from '@rudlo/core/stored'
import type { DataSource } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import { badInput, notNow } from '../http/problem'
import type { Group, Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import type { ClassTerms } from '../term/class-terms'
import { ExcusedWork, GradeSchemeRow, OverallGrade } from './entities'
import { changesOf, excusesOf, overallsOf } from './queries'
import { byHandView, gradeCellView, gradedAssignmentView } from './views'

/** Marks of a class: by which scale and rule, overall marks by hand, and work that need not be done. */
export class Grades {
  constructor(
    private readonly database: DataSource,
    private readonly terms: ClassTerms,
  ) {}

  async view({ id }: Group): Promise<GradesView> {
    const { assignments, students, cells } = await this.terms.read([id], new Date())
    const ids = assignments.map((a) => a.id)
    const [excuses, changes, byHand, kept] = await Promise.all([
      excusesOf(this.database, ids),
      changesOf(this.database, ids),
      overallsOf(this.database, id),
      this.database.getRepository(GradeSchemeRow).findOneBy({ groupId: id }),
    ])
    const rubrics = new Map(assignments.map((a) => [a.id, readKeptRubric(a.rubric)]))
    const levels = rubrics.values().next().value?.levels ?? usualRubric().levels
    const scheme = kept ? readKeptScheme(kept.document, levels) : usualScheme(levels)
    const graded = cells.map((cell) => {
      const here = (row: { readonly assignment: string; readonly student: string }) =>
        row.assignment === cell.assignment.id && row.student === cell.student
      const excused = excuses.find(here)?.reason ?? null
      return gradeCellView(cell, rubrics.get(cell.assignment.id)!, excused, changes.filter(here))
    })
    return {
      scheme,
      revision: kept?.revision ?? 0,
      assignments: assignments.map((a) => gradedAssignmentView(a, rubrics.get(a.id)!)),
      students: students.map(({ id: student, name }) => {
        const own = graded.filter((c) => c.student === student)
        const overall = overallOf(
          own.map((c) => ({ ...c, excused: c.excused !== null })),
          scheme,
        )
        return {
          student,
          name,
          rule: overall.share,
          dropped: overall.dropped,
          byHand: byHand.filter((o) => o.student === student).map(byHandView),
        }
      }),
      cells: graded,
    }
  }

  /** @throws Problem 400 for a scale that does not do, 409 where somebody else changed it */
  async setScheme(teacher: Person, { id }: Group, { scheme, revision }: ChangedScheme): Promise<Kept> {
    const document = JSON.stringify(checkedScheme(scheme))
    return this.database.transaction(async (manager) => {
      const before = await manager.findOne(GradeSchemeRow, {
        where: { groupId: id },
        lock: { mode: 'pessimistic_write' },
      })
      if ((before?.revision ?? 0) !== revision) throw notNow(words('grades.scheme-changed'))
      await manager.save(GradeSchemeRow, { groupId: id, document, revision: revision + 1 })
      await leaveTrail(manager, teacher.id, 'changed how marks are worked out', id)
      return { revision: revision + 1 }
    })
  }

  /** Gives an overall mark by hand, or lets it follow the rule again. @throws Problem 400 without a reason */
  async setOverall(teacher: Person, { id: groupId }: Group, student: Person, to: OverallMark): Promise<void> {
    const reason = to.reason.trim()
    if (to.share !== null && !reason) throw badInput(words('grades.reason-missing'))
    await this.database.transaction(async (manager) => {
      await manager.insert(OverallGrade, {
        groupId,
        personId: student.id,
        share: to.share ?? null,
        reason,
        authorId: teacher.id,
        at: new Date(),
      })
      await leaveTrail(manager, teacher.id, 'gave an overall mark', student.id)
    })
  }

  /** Says that somebody need not do an assignment, or must again. */
  async excuse(teacher: Person, assignment: Assignment, student: Person, to: Excuse): Promise<void> {
    const key = { assignmentId: assignment.id, personId: student.id }
    await this.database.transaction(async (manager) => {
      if (to.excused)
        await manager.save(ExcusedWork, {
          ...key,
          reason: to.reason.trim(),
          authorId: teacher.id,
          at: new Date(),
        })
      else await manager.delete(ExcusedWork, key)
      await leaveTrail(manager, teacher.id, to.excused ? 'excused' : 'no longer excused', student.id)
    })
  }
}

/** @throws Problem 400 */
function checkedScheme(document: object): GradeScheme {
  try {
    return readScheme(document)
  } catch (error) {
    throw badInput((error as Error).message)
  }
}

/** A scheme as it was kept; the usual one where it is none any more. */
function readKeptScheme(text: string, levels: readonly string[]): GradeScheme {
  try {
    return readScheme(readKept(text, isObject, 'a scale'))
  } catch {
    return usualScheme(levels)
  }
}
