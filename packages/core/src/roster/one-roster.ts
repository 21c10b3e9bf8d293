import { words } from '@rudlo/words'
import { checked, readTable, type Roster, type RosterRow } from './read-roster'

/** A class of a OneRoster export, with its students. */
export interface RosterClass {
  readonly id: string
  readonly roster: Roster
}

type Column = (row: readonly string[]) => string

/** Finds columns by their names. @throws RangeError where one is missing */
function columns<K extends string>(
  header: readonly string[],
  file: string,
  names: readonly K[],
): Record<K, Column> {
  const lower = header.map((h) => h.toLowerCase())
  return Object.fromEntries(
    names.map((name) => {
      const at = lower.indexOf(name.toLowerCase())
      if (at < 0) throw new RangeError(words('roster.no-column', { file, name }))
      return [name, (row: readonly string[]) => row[at] ?? '']
    }),
  ) as Record<K, Column>
}

const isActive = (status: string) => status === '' || status.toLowerCase() === 'active'

/**
 * Reads the two files `users.csv` and `enrollments.csv` of the OneRoster CSV standard (1.1 and 1.2): every class with its
 * students. Whoever is to be deleted, or is enrolled as anything but a student, is left out.
 * @throws RangeError with a sentence where a file is none of them
 */
export function readOneRoster(users: string, enrollments: string): RosterClass[] {
  const [people, lists] = [users, enrollments].map((text) => readTable(text))
  for (const { problem } of [people!, lists!]) if (problem) throw new RangeError(problem)
  const person = columns(people!.cells[0] ?? [], 'users.csv', [
    'sourcedId',
    'status',
    'username',
    'givenName',
    'familyName',
  ])
  const list = columns(lists!.cells[0] ?? [], 'enrollments.csv', [
    'status',
    'classSourcedId',
    'userSourcedId',
    'role',
  ])
  const known = new Map<string, RosterRow>()
  people!.cells.slice(1).forEach((row, i) => {
    if (row.every((c) => c === '') || !isActive(person.status(row))) return
    const name = `${person.givenName(row)} ${person.familyName(row)}`.replace(/\s+/g, ' ').trim()
    known.set(person.sourcedId(row), {
      line: i + 2,
      name,
      signIn: person.username(row).toLowerCase() || null,
      schoolId: person.sourcedId(row).slice(0, 80) || null,
    })
  })
  const classes = new Map<string, Map<string, RosterRow>>()
  const strangers = new Map<string, number>()
  for (const row of lists!.cells.slice(1)) {
    if (!isActive(list.status(row)) || list.role(row).toLowerCase() !== 'student') continue
    const id = list.classSourcedId(row)
    const student = known.get(list.userSourcedId(row))
    const members = classes.get(id) ?? new Map<string, RosterRow>()
    classes.set(id, members)
    if (student) members.set(list.userSourcedId(row), student)
    else strangers.set(id, (strangers.get(id) ?? 0) + 1)
  }
  if (!classes.size) throw new RangeError(words('roster.nobody-enrolled-student'))
  return [...classes].map(([id, members]) => {
    const roster = checked([...members.values()])
    const missing = strangers.get(id)
    return {
      id,
      roster: missing
        ? {
            ...roster,
            problems: [...roster.problems, { line: 0, sentence: words('roster.not-users-csv', { missing }) }],
          }
        : roster,
    }
  })
}
