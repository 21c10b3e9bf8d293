import type { RosterColumns } from '@rudlo/core/roster'
import { isNumber, readKeptOr, recordOf } from '@rudlo/core/stored'
import { keep, kept } from '../../../browser/kept'

/** Which columns of tables were matched by hand, in this browser. */
const KEY = 'rudlo-columns'
/** So many tables are remembered. */
const MOST = 20

type Remembered = Readonly<Record<string, Readonly<Record<string, number>>>>
const read = (): Remembered => readKeptOr(kept(KEY), recordOf(recordOf(isNumber)), {})
const keyOf = (header: readonly string[]) => header.map((h) => h.trim().toLowerCase()).join('|')

/** How a table with these columns was matched last; null where it never was. */
export const rememberedColumns = (header: readonly string[]): RosterColumns | null =>
  (header.length ? read()[keyOf(header)] : undefined) ?? null

/** Remembers how a table with these columns is matched. */
export function rememberColumns(header: readonly string[], columns: RosterColumns): void {
  const key = keyOf(header)
  const others = Object.entries(read()).filter(([of]) => of !== key)
  const all = [...others.slice(-(MOST - 1)), [key, columns] as const]
  keep(KEY, JSON.stringify(Object.fromEntries(all)))
}
