import { words } from '@rudlo/words'
import type { GradeCell, GradesView, OverallView } from '@rudlo/contract/grades'
import { csvText } from '@rudlo/core/exchange'
import { gradeNumber, gradeText, mostOf, oneRosterResults, type Result } from '@rudlo/core/grades'
import type { DataSource } from 'typeorm'
import { dateOf, tableTime } from '../http/moment'
import type { Group } from '../people/entities'
import { schoolIdsOf } from './queries'
import type { Grades } from './service'

type Cell = string | number | null

/** The marks of a class as files: a table, and what a school's system reads. */
export class GradeTables {
  constructor(
    private readonly database: DataSource,
    private readonly grades: Grades,
  ) {}

  /**
   * A row for everybody in the class, also those who handed in nothing; for each assignment the mark, and its number in percent
   * beside it.
   */
  async csv(group: Group): Promise<string> {
    const view = await this.grades.view(group)
    const { scheme, assignments, students, cells } = view
    return csvText([
      [
        words('column.student'),
        ...assignments.flatMap((a) => [
          a.title,
          `${a.title} (%)`,
          ...a.criteria.map((c) => `${a.title}: ${c.name}`),
        ]),
        words('column.overall'),
        words('column.overall-percent'),
        words('column.reason'),
      ],
      [
        words('column.due'),
        ...assignments.flatMap((a) => [tableTime(dateOf(a.dueAt)), '', ...a.criteria.map(() => '')]),
        '',
        '',
        '',
      ],
      ...students.map((s) => [
        s.name,
        ...assignments.flatMap((a) => {
          const cell = cells.find((c) => c.assignment === a.id && c.student === s.student)!
          return [
            stateText(cell) ?? gradeText(scheme.scale, cell.share!),
            cell.excused === null && cell.share !== null ? percent(cell.share) : null,
            ...a.criteria.map((c): Cell =>
              cell.marks[c.id] === undefined ? '' : (a.levels[cell.marks[c.id]!] ?? ''),
            ),
          ]
        }),
        ...overallCells(view, s),
      ]),
    ])
  }

  /** The results part of OneRoster, by file. */
  async oneRoster(group: Group): Promise<Readonly<Record<string, string>>> {
    const [{ scheme, assignments, students, cells }, ids] = await Promise.all([
      this.grades.view(group),
      schoolIdsOf(this.database, group.id),
    ])
    const now = new Date()
    const known = new Map(ids.map((p) => [p.id, p.schoolId ?? p.signIn]))
    const due = assignments.flatMap((a) => (a.dueAt ? [Date.parse(a.dueAt)] : []))
    const overall = `${group.id}-overall`
    const most = mostOf(scheme.scale)
    const item = (id: string, title: string, dueAt: string | null) => ({
      id,
      title,
      description: '',
      assignedAt: dueAt ? new Date(dueAt) : now,
      dueAt: dueAt ? new Date(dueAt) : null,
      changedAt: now,
      most,
    })
    return oneRosterResults(
      {
        classId: group.id,
        title: group.name,
        from: new Date(Math.min(now.getTime(), ...due)),
        to: new Date(Math.max(now.getTime(), ...due)),
        madeAt: now,
      },
      [...assignments.map((a) => item(a.id, a.title, a.dueAt)), item(overall, words('column.overall'), null)],
      [
        ...cells.map((c): Result => ({
          id: `${c.assignment}-${c.student}`,
          lineItem: c.assignment,
          student: known.get(c.student) ?? c.student,
          state:
            c.excused !== null
              ? 'exempt'
              : c.share !== null
                ? 'fully graded'
                : c.handIn
                  ? 'submitted'
                  : 'not submitted',
          score: c.excused === null && c.share !== null ? gradeNumber(scheme.scale, c.share) : null,
          at: now,
          comment: c.excused ?? '',
        })),
        ...students.flatMap((s): Result[] => {
          const share = s.byHand[0]?.share ?? s.rule
          return share === null
            ? []
            : [
                {
                  id: `${overall}-${s.student}`,
                  lineItem: overall,
                  student: known.get(s.student) ?? s.student,
                  state: 'fully graded',
                  score: gradeNumber(scheme.scale, share),
                  at: now,
                  comment: s.byHand[0]?.reason ?? '',
                },
              ]
        }),
      ],
    )
  }
}

const percent = (share: number) => Math.round(share * 1000) / 10

/** What stands in place of a mark; null where there is one. */
function stateText({ excused, share, missing, handIn }: GradeCell): string | null {
  if (excused !== null) return words('grades.excused')
  if (share !== null) return null
  return missing ? words('grades.missing') : handIn ? words('grades.unmarked') : ''
}

function overallCells({ scheme }: GradesView, { rule, byHand }: OverallView): Cell[] {
  const share = byHand[0]?.share ?? rule
  return share === null
    ? ['', null, '']
    : [gradeText(scheme.scale, share), percent(share), byHand[0]?.share == null ? '' : byHand[0].reason]
}
