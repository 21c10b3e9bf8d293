import type { Assessment } from '@rudlo/core/brief'
import { csvText } from '@rudlo/core/exchange'
import { completeRubric, type Rubric } from '@rudlo/core/rubric'
import type { DataSource } from 'typeorm'
import { breath } from '../http/breath'
import type { Assignment } from '../assignments/assignment.entity'

interface Row {
  readonly student: string
  readonly number: number
  readonly state: string
  readonly outcome: string | null
  readonly handedInAt: Date
  readonly assessment: string | null
  readonly marks: string | null
  readonly comment: string | null
}

/** What is in the table: the marks of each student, or what each check of each student said. */
export type MarksTable = 'students' | 'checks'

/** Marks and figures of the newest hand-in of every student, as CSV. */
export async function marksCsv(
  database: DataSource,
  assignment: Assignment,
  table: MarksTable,
): Promise<string> {
  const rows: Row[] = await database.query(
    `SELECT p.name AS student, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt, h.assessment, r.marks, r.comment
       FROM hand_ins h JOIN works w ON w.id = h.work_id JOIN people p ON p.id = w.person_id
       LEFT JOIN reviews r ON r.hand_in_id = h.id
      WHERE w.assignment_id = ? AND h.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = h.work_id)
      ORDER BY p.name`,
    [assignment.id],
  )
  const read: ReadRow[] = []
  for (const { assessment, ...row } of rows) {
    read.push({ ...row, tasks: assessment === null ? [] : (JSON.parse(assessment) as Assessment).tasks })
    // a large class takes a while to read
    await breath()
  }
  return csvText(
    table === 'students'
      ? byStudent(read, completeRubric(JSON.parse(assignment.rubric) as Rubric))
      : byCheck(read),
  )
}

interface ReadRow extends Omit<Row, 'assessment'> {
  readonly tasks: Assessment['tasks']
}

function byStudent(rows: readonly ReadRow[], { criteria, levels }: Rubric) {
  return [
    ['Student', 'Version', 'Handed in', 'State', 'Tasks met', ...criteria.map((c) => c.name), 'Comment'],
    ...rows.map((row) => {
      const marks = JSON.parse(row.marks ?? '{}') as Record<string, number>
      const { tasks } = row
      return [
        row.student,
        row.number,
        new Date(row.handedInAt).toISOString(),
        row.outcome ?? row.state,
        tasks.filter((t) => t.verdict === 'met').length,
        ...criteria.map((c) => (marks[c.id] === undefined ? '' : (levels[marks[c.id]!] ?? ''))),
        row.comment ?? '',
      ]
    }),
  ]
}

function byCheck(rows: readonly ReadRow[]) {
  return [
    ['Student', 'Version', 'Task', 'Check', 'Verdict', 'Sentence', 'Figures'],
    ...rows.flatMap((row) =>
      row.tasks.flatMap((task) =>
        task.checks.map(({ name, finding }) => [
          row.student,
          row.number,
          task.task,
          name,
          finding.verdict,
          finding.sentence,
          finding.figures.map((f) => `${f.name}: ${f.value}${f.wanted ? ` (${f.wanted})` : ''}`).join('; '),
        ]),
      ),
    ),
  ]
}
