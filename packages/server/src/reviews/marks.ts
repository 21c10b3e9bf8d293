import { words } from '@rudlo/words'
import { csvText } from '@rudlo/core/exchange'
import type { Rubric } from '@rudlo/core/rubric'
import { readAssessment, readKeptBrief, readKeptRubric, readMarks, readMix } from '@rudlo/core/stored'
import type { SongVersion } from '@rudlo/core/song'
import { saidTasks, Sayer, type SaidTask } from '@rudlo/sentences'
import type { DataSource } from 'typeorm'
import { breath } from '../http/breath'
import { tableTime } from '../http/moment'
import type { Assignment } from '../assignments/entities'
import { marksOf, type MarksRow } from './queries'

/** Marks and figures of the newest hand-in of every student, as tables: a row for everybody in the class. */
export class Marks {
  constructor(private readonly database: DataSource) {}

  /** @param table the marks of each student, or what each check of each student said */
  async csv(assignment: Assignment, song: SongVersion, table: 'students' | 'checks'): Promise<string> {
    const sayer = new Sayer({ song, mix: readMix(assignment.startingMix) })
    const titles = new Map(readKeptBrief(assignment.brief).tasks.map((t) => [t.id, t.title]))
    const read: ReadRow[] = []
    for (const { assessment, ...row } of await marksOf(this.database, assignment.id)) {
      const said = assessment === null ? [] : saidTasks(sayer, readAssessment(assessment).tasks)
      read.push({ ...row, tasks: said.map((t) => ({ ...t, task: titles.get(t.task) ?? t.task })) })
      // a large class takes a while to read
      await breath()
    }
    return csvText(table === 'students' ? byStudent(read, readKeptRubric(assignment.rubric)) : byCheck(read))
  }
}

interface ReadRow extends Omit<MarksRow, 'assessment'> {
  /** By their titles. */
  readonly tasks: readonly SaidTask[]
}

/** How far a student is, in words. */
const stateText = ({ number, state, outcome }: MarksRow | ReadRow): string =>
  number === null
    ? words('state.not-handed-in')
    : words(`state.${(outcome && state === 'given back' ? outcome : (state ?? '')).replaceAll(' ', '-')}`)

function byStudent(rows: readonly ReadRow[], { criteria, levels }: Rubric) {
  return [
    [
      words('column.student'),
      words('column.version'),
      words('column.handed-in'),
      words('column.due'),
      words('column.state'),
      words('column.tasks-met'),
      // a level in words, and as a number to count with
      ...criteria.flatMap((c) => [c.name, words('column.number-of', { name: c.name })]),
      words('column.comment'),
    ],
    ...rows.map((row) => {
      const marks = row.marks === null ? {} : readMarks(row.marks)
      const { tasks } = row
      return [
        row.student,
        row.number,
        tableTime(row.handedInAt),
        tableTime(row.dueAt),
        stateText(row),
        row.number === null ? null : tasks.filter((t) => t.verdict === 'met').length,
        ...criteria.flatMap((c) => [
          marks[c.id] === undefined ? '' : (levels[marks[c.id]!] ?? ''),
          marks[c.id] ?? null,
        ]),
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
      row.tasks.length
        ? row.tasks.flatMap((task) =>
            task.checks.map(({ name, finding }) => [
              row.student,
              row.number,
              task.task,
              name,
              words(`archive.verdict.${finding.verdict.replace(' ', '-')}`),
              finding.sentence,
              finding.figures
                .map((f) => `${f.name}: ${f.value}${f.wanted ? ` (${f.wanted})` : ''}`)
                .join('; '),
            ]),
          )
        : [[row.student, row.number, '', '', stateText(row), '', '']],
    ),
  ]
}
