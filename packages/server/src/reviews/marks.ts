import { words } from '@rudlo/words'
import { csvText } from '@rudlo/core/exchange'
import type { Rubric } from '@rudlo/core/rubric'
import { readAssessment, readKeptRubric, readMarks, readMix } from '@rudlo/core/stored'
import type { SongVersion } from '@rudlo/core/song'
import { saidTasks, Sayer, type SaidTask } from '@rudlo/sentences'
import type { DataSource } from 'typeorm'
import { breath } from '../http/breath'
import type { Assignment } from '../assignments/entities'
import { marksOf, type MarksRow } from './queries'

/** Marks and figures of the newest hand-in of every student, as tables. */
export class Marks {
  constructor(private readonly database: DataSource) {}

  /** @param table the marks of each student, or what each check of each student said */
  async csv(assignment: Assignment, song: SongVersion, table: 'students' | 'checks'): Promise<string> {
    const sayer = new Sayer({ song, mix: readMix(assignment.startingMix) })
    const read: ReadRow[] = []
    for (const { assessment, ...row } of await marksOf(this.database, assignment.id)) {
      read.push({
        ...row,
        tasks: assessment === null ? [] : saidTasks(sayer, readAssessment(assessment).tasks),
      })
      // a large class takes a while to read
      await breath()
    }
    return csvText(table === 'students' ? byStudent(read, readKeptRubric(assignment.rubric)) : byCheck(read))
  }
}

interface ReadRow extends Omit<MarksRow, 'assessment'> {
  readonly tasks: readonly SaidTask[]
}

function byStudent(rows: readonly ReadRow[], { criteria, levels }: Rubric) {
  return [
    [
      words('column.student'),
      words('column.version'),
      words('column.handed-in'),
      words('column.state'),
      words('column.tasks-met'),
      ...criteria.map((c) => c.name),
      words('column.comment'),
    ],
    ...rows.map((row) => {
      const marks = row.marks === null ? {} : readMarks(row.marks)
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
    ['student', 'version', 'task', 'check', 'verdict', 'sentence', 'figures'].map((key) =>
      words(`column.${key}`),
    ),
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
