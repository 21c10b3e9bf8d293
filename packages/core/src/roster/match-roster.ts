import { plainName } from '../song'
import type { RosterRow } from './read-roster'

/** Somebody who is known already. */
export interface KnownStudent {
  readonly id: string
  readonly name: string
  readonly signIn: string
  /** What the school knows them by; null where that was never told. */
  readonly schoolId: string | null
  /** Whether they are in the class that the list is for. */
  readonly here: boolean
}

/** Who a row of a list is. */
export type Match =
  /** Nobody who is known. */
  | { readonly kind: 'new' }
  /** In the class, as the list says. */
  | { readonly kind: 'here'; readonly id: string }
  /** In the class under another name. */
  | { readonly kind: 'renamed'; readonly id: string; readonly before: string }
  /** Known, and not in the class. */
  | { readonly kind: 'elsewhere'; readonly id: string }
  /** Somebody has the same name: a teacher says whether they are the same. */
  | { readonly kind: 'alike'; readonly id: string; readonly here: boolean; readonly signIn: string }

/** A row with who it is. */
export interface MatchedRow extends RosterRow {
  readonly match: Match
}

/** A list beside those who are known. */
export interface MatchedRoster {
  readonly rows: readonly MatchedRow[]
  /** Those in the class who are not in the list. */
  readonly gone: readonly KnownStudent[]
}

/**
 * Tells who each row of a list is: by the id of the school, else by sign-in name, else by name, and then it is asked. Each person is
 * at most one row; of several with one name those in the class come first.
 */
export function matchRoster(rows: readonly RosterRow[], known: readonly KnownStudent[]): MatchedRoster {
  const taken = new Set<string>()
  const free = (holds: (k: KnownStudent) => boolean) => {
    const fits = known.filter((k) => !taken.has(k.id) && holds(k))
    return fits.find((k) => k.here) ?? fits[0]
  }
  // what is sure comes first: a name must not take somebody whose id stands further down
  const sure = rows.map((row) => {
    const found =
      (row.schoolId && free((k) => k.schoolId === row.schoolId)) ||
      // under another name it is somebody of the class who is called otherwise by now, and nobody else
      (row.signIn &&
        free((k) => k.signIn === row.signIn && (k.here || plainName(k.name) === plainName(row.name)))) ||
      undefined
    if (found) taken.add(found.id)
    return found
  })
  const matched = rows.map((row, i): MatchedRow => {
    const found = sure[i]
    if (found) return { ...row, match: sureMatch(row, found) }
    const alike = free(
      (k) =>
        plainName(k.name) === plainName(row.name) &&
        !(row.schoolId && k.schoolId && k.schoolId !== row.schoolId),
    )
    if (!alike) return { ...row, match: { kind: 'new' } }
    taken.add(alike.id)
    return { ...row, match: { kind: 'alike', id: alike.id, here: alike.here, signIn: alike.signIn } }
  })
  return { rows: matched, gone: known.filter((k) => k.here && !taken.has(k.id)) }
}

function sureMatch({ name }: RosterRow, { id, here, name: before }: KnownStudent): Match {
  if (!here) return { kind: 'elsewhere', id }
  return name === before ? { kind: 'here', id } : { kind: 'renamed', id, before }
}
