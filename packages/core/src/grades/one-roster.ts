import { csvText } from '../exchange'

/** Something that is marked, for {@link oneRosterResults}. */
export interface LineItem {
  readonly id: string
  readonly title: string
  readonly description: string
  readonly assignedAt: Date
  readonly dueAt: Date | null
  readonly changedAt: Date
  /** The highest number that can be reached. */
  readonly most: number
}

/** What somebody reached. */
export interface Result {
  readonly id: string
  readonly lineItem: string
  /** The id that the school has for the student. */
  readonly student: string
  readonly state: 'fully graded' | 'not submitted' | 'submitted' | 'exempt'
  /** Null where there is none yet. */
  readonly score: number | null
  readonly at: Date
  readonly comment: string
}

/** The class and the time that results are of. */
export interface ResultsOf {
  readonly classId: string
  readonly title: string
  readonly from: Date
  readonly to: Date
  readonly madeAt: Date
}

const day = (at: Date) => at.toISOString().slice(0, 10)

/**
 * The results part of the OneRoster CSV standard (IMS Global, OneRoster 1.1 CSV tables): what is marked, what everybody reached,
 * the category and the grading period that they refer to, and the manifest that says which files there are.
 * @returns files by name
 */
export function oneRosterResults(
  of: ResultsOf,
  items: readonly LineItem[],
  results: readonly Result[],
): Readonly<Record<string, string>> {
  const changed = of.madeAt.toISOString()
  const [category, period] = [`${of.classId}-category`, `${of.classId}-period`]
  const table = (head: readonly string[], rows: readonly (readonly (string | number | null)[])[]) =>
    // a school's system reads these: no mark of UTF-8 before the first name of a column
    csvText([head, ...rows]).replace('\uFEFF', '')
  return {
    'manifest.csv': table(
      ['propertyName', 'value'],
      [
        ['manifest.version', '1.0'],
        ['oneroster.version', '1.1'],
        ['file.academicSessions', 'bulk'],
        ['file.categories', 'bulk'],
        ['file.classes', 'absent'],
        ['file.classResources', 'absent'],
        ['file.courses', 'absent'],
        ['file.courseResources', 'absent'],
        ['file.demographics', 'absent'],
        ['file.enrollments', 'absent'],
        ['file.lineItems', 'bulk'],
        ['file.orgs', 'absent'],
        ['file.resources', 'absent'],
        ['file.results', 'bulk'],
        ['file.users', 'absent'],
        ['source.systemName', 'Rudlo'],
        ['source.systemCode', 'rudlo'],
      ],
    ),
    'academicSessions.csv': table(
      [
        'sourcedId',
        'status',
        'dateLastModified',
        'title',
        'type',
        'startDate',
        'endDate',
        'parentSourcedId',
        'schoolYear',
      ],
      [[period, '', '', of.title, 'gradingPeriod', day(of.from), day(of.to), '', day(of.to).slice(0, 4)]],
    ),
    'categories.csv': table(
      ['sourcedId', 'status', 'dateLastModified', 'title'],
      [[category, '', '', of.title]],
    ),
    'lineItems.csv': table(
      [
        'sourcedId',
        'status',
        'dateLastModified',
        'title',
        'description',
        'assignDate',
        'dueDate',
        'classSourcedId',
        'categorySourcedId',
        'gradingPeriodSourcedId',
        'resultValueMin',
        'resultValueMax',
      ],
      items.map((i) => [
        i.id,
        'active',
        i.changedAt.toISOString(),
        i.title,
        i.description,
        day(i.assignedAt),
        day(i.dueAt ?? of.to),
        of.classId,
        category,
        period,
        0,
        i.most,
      ]),
    ),
    'results.csv': table(
      [
        'sourcedId',
        'status',
        'dateLastModified',
        'lineItemSourcedId',
        'studentSourcedId',
        'scoreStatus',
        'score',
        'scoreDate',
        'comment',
      ],
      results.map((r) => [
        r.id,
        'active',
        changed,
        r.lineItem,
        r.student,
        r.state,
        r.score,
        day(r.at),
        r.comment,
      ]),
    ),
  }
}
