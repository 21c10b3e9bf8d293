import type { TermCell, TermStudent, TermView } from '@rudlo/contract/term'

/** By what a class is sorted. */
export const ORDERS = ['help', 'waiting', 'name'] as const
export type Order = (typeof ORDERS)[number]

/** A student with their cells, in the order of the assignments. */
export interface StudentRow {
  readonly student: TermStudent
  readonly cells: readonly TermCell[]
}

/** The rows of a term: those who need help most first, those whose work waits longest, or by name. Equal ones are by name. */
export function rowsOf({ students, assignments, cells }: TermView, order: Order): StudentRow[] {
  const place = new Map(assignments.map((a, i) => [a.id, i]))
  const own = new Map<string, TermCell[]>(students.map((s) => [s.id, []]))
  for (const cell of cells) own.get(cell.student)![place.get(cell.assignment)!] = cell
  const rows = students.map((student) => ({ student, cells: own.get(student.id)! }))
  const oldest = ({ cells: all }: StudentRow) =>
    all.reduce((at, c) => (c.state === 'waiting' && c.handedInAt! < at ? c.handedInAt! : at), '9')
  const byName = (a: StudentRow, b: StudentRow) => a.student.name.localeCompare(b.student.name)
  if (order === 'name') return rows.sort(byName)
  if (order === 'help') return rows.sort((a, b) => b.student.help - a.student.help || byName(a, b))
  return rows.sort((a, b) => oldest(a).localeCompare(oldest(b)) || byName(a, b))
}
