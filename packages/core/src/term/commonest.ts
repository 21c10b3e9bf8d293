import type { Address } from '../mix'
import type { Severity } from '../mistakes'
import type { HandInFigures } from './figures'

/** Where one student made a mistake. */
export interface MistakeAt {
  readonly handIn: string
  readonly student: string
  readonly assignment: string
  readonly lane: Address | null
  /** Ticks. */
  readonly from: number
  readonly to: number
}

/** A kind of mistake, and who makes it. */
export interface CommonMistake {
  readonly kind: string
  readonly severity: Severity
  /** How many students: each counts once, however often they make it. */
  readonly students: number
  /** The first place of each hand-in in which it is. */
  readonly places: readonly MistakeAt[]
}

/** A hand-in whose mistakes are counted. */
export interface Counted {
  readonly handIn: string
  readonly student: string
  readonly assignment: string
  readonly figures: HandInFigures
}

/** Kinds of mistakes by how many students make them; of equals the worse one first. Only newest versions should be counted. */
export function commonestMistakes(handIns: readonly Counted[]): CommonMistake[] {
  const kinds = new Map<string, { severity: Severity; students: Set<string>; places: MistakeAt[] }>()
  for (const { handIn, student, assignment, figures } of handIns) {
    const here = new Set<string>()
    for (const { kind, severity, lane, from, to } of figures.mistakes) {
      const known = kinds.get(kind) ?? { severity, students: new Set(), places: [] }
      kinds.set(kind, known)
      known.students.add(student)
      if (severity > known.severity) known.severity = severity
      if (!here.has(kind)) known.places.push({ handIn, student, assignment, lane, from, to })
      here.add(kind)
    }
  }
  return [...kinds]
    .map(([kind, { severity, students, places }]) => ({ kind, severity, students: students.size, places }))
    .sort((a, b) => b.students - a.students || b.severity - a.severity || (a.kind < b.kind ? -1 : 1))
}
