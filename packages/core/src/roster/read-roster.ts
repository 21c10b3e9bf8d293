import { words } from '@rudlo/words'
import Papa from 'papaparse'
import { SIGN_IN_NAME } from './sign-in-name'

/** A student as a roster names them. */
export interface RosterRow {
  /** Line of the file, from 1. */
  readonly line: number
  readonly name: string
  /** Null where one is to be made. */
  readonly signIn: string | null
  /** What the school knows them by; null where the list does not say. */
  readonly schoolId: string | null
}

/** Something wrong in a roster. */
export interface RosterProblem {
  /** Line of the file, from 1; 0 for the whole. */
  readonly line: number
  readonly sentence: string
}

/** What a roster says. It is taken as a whole or not at all. */
export interface Roster {
  readonly rows: readonly RosterRow[]
  readonly problems: readonly RosterProblem[]
  /** Names of its columns, and which of them were read as what; empty for a list without any. */
  readonly header: readonly string[]
  readonly columns: RosterColumns
}

/** Which column of a table says what, by its place from 0. */
export type RosterColumns = Readonly<Partial<Record<RosterColumn, number>>>
export const ROSTER_COLUMNS = ['name', 'first', 'last', 'signIn', 'schoolId'] as const
export type RosterColumn = (typeof ROSTER_COLUMNS)[number]

/** Students taken in at once, characters of a name; and of a file: characters, lines, characters of a line. */
export const ROSTER_LIMITS = {
  rows: 200,
  name: 120,
  bytes: 1024 * 1024,
  lines: 10_000,
  line: 10_000,
} as const

/** Whether a text has more lines, or longer ones, than a list of people can have; found without reading it. */
function isTooLong(text: string): boolean {
  if (text.length > ROSTER_LIMITS.bytes) return true
  let from = 0
  for (let lines = 0; lines <= ROSTER_LIMITS.lines; lines++) {
    const end = text.indexOf('\n', from)
    if ((end < 0 ? text.length : end) - from > ROSTER_LIMITS.line) return true
    if (end < 0) return false
    from = end + 1
  }
  return true
}

const NAMES = {
  name: ['name', 'full name', 'student', 'student name'],
  first: ['first name', 'given name', 'givenname', 'first', 'forename'],
  last: ['last name', 'family name', 'familyname', 'surname', 'last'],
  schoolId: ['id', 'student id', 'school id', 'sourcedid', 'student number', 'number'],
  signIn: ['sign-in', 'sign-in name', 'sign in', 'username', 'user name', 'login'],
} as const

const wrong = (sentence: string, header: readonly string[] = []): Roster => ({
  rows: [],
  problems: [{ line: 0, sentence }],
  header,
  columns: {},
})

/** What stands in a table, cell by cell. Commas, semicolons and tabs are told apart by themselves. */
export function readTable(text: string): { readonly cells: string[][]; readonly problem: string | null } {
  if (isTooLong(text)) return { cells: [], problem: words('roster.file-too-large') }
  if (text.includes('\u0000') || text.includes('\ufffd'))
    return { cells: [], problem: words('roster.not-text-file') }
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimitersToGuess: [',', ';', '\t', '|'],
  })
  const broken = errors.find((e) => e.type === 'Quotes')
  if (broken)
    return {
      cells: [],
      problem: words('roster.line-quotation-mark', { row: (broken.row ?? 0) + 1 }),
    }
  return { cells: data.map((row) => row.map((c) => c.trim())), problem: null }
}

const isEmpty = (row: readonly string[]) => row.every((c) => c === '')

/**
 * Reads a list of students: one name a line, or a table with a header that names its columns (name, or first and last
 * name; sign-in name and the id of the school if there are any).
 * @param chosen which column says what, where a person said so: then the first line is a header
 */
export function readRoster(text: string, chosen?: RosterColumns): Roster {
  const { cells, problem } = readTable(text)
  if (problem) return wrong(problem)
  const first = cells.findIndex((row) => !isEmpty(row))
  if (first < 0) return wrong(words('roster.nobody'))
  const header = cells[first]!.map((c) => c.toLowerCase())
  const column = (what: RosterColumn) =>
    chosen ? (chosen[what] ?? -1) : header.findIndex((h) => (NAMES[what] as readonly string[]).includes(h))
  const at = {
    name: column('name'),
    first: column('first'),
    last: column('last'),
    signIn: column('signIn'),
    schoolId: column('schoolId'),
  }
  const named = at.name >= 0 || at.first >= 0 || at.last >= 0
  if (!named && cells.some((row) => row.filter(Boolean).length > 2))
    return wrong(words('roster.i-could-not'), cells[first]!)
  const entries = cells.slice(named ? first + 1 : first).flatMap((row, i) => {
    if (isEmpty(row)) return []
    const line = i + 1 + (named ? first + 1 : first)
    const cell = (index: number) => (index < 0 ? '' : (row[index] ?? ''))
    const name = named
      ? cell(at.name) || `${cell(at.first)} ${cell(at.last)}`.trim()
      : row.filter(Boolean).reverse().join(' ')
    // "Varga, Ines" in a list without a header is a family name first
    return [
      {
        line,
        name: name.replace(/\s+/g, ' '),
        signIn: cell(at.signIn).toLowerCase() || null,
        schoolId: cell(at.schoolId).slice(0, 80) || null,
      },
    ]
  })
  const used = ROSTER_COLUMNS.filter((what) => at[what] >= 0)
  return {
    ...checked(entries),
    header: named ? cells[first]! : [],
    columns: Object.fromEntries(used.map((what) => [what, at[what]])),
  }
}

/** Looks at every row of a roster: each problem is told with its line. */
export function checked(entries: readonly RosterRow[]): Roster {
  const problems: RosterProblem[] = []
  const tell = (line: number, sentence: string) => problems.push({ line, sentence })
  const seen = new Map<string, number>()
  const signIns = new Map<string, number>()
  for (const { line, name, signIn, schoolId } of entries) {
    if (!name) tell(line, words('roster.name-missing'))
    else if (/^[=+@-]/.test(name)) tell(line, words('roster.looks-like-formula', { name: name.slice(0, 30) }))
    else if (name.length > ROSTER_LIMITS.name)
      tell(line, words('roster.name-more-characters', { most: ROSTER_LIMITS.name }))
    if (signIn !== null && !SIGN_IN_NAME.test(signIn))
      tell(line, words('roster.cannot-sign-in-name', { signIn: signIn.slice(0, 30) }))
    // two of one name are two where the school has two ids for them
    const key = signIn ?? `name ${name.toLowerCase()} ${schoolId ?? ''}`
    const before = (signIn === null ? seen : signIns).get(key)
    if (name && before !== undefined) tell(line, words('roster.name-also-line', { before }))
    ;(signIn === null ? seen : signIns).set(key, before ?? line)
  }
  if (!entries.length) tell(0, words('roster.nobody'))
  if (entries.length > ROSTER_LIMITS.rows)
    tell(0, words('roster.most-students-taken', { most: ROSTER_LIMITS.rows }))
  return { rows: entries, problems, header: [], columns: {} }
}
