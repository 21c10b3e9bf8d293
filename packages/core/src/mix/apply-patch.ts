import { words } from '@rudlo/words'
import { PATCH_LIMITS, type PatchOperation } from './patch'

/** Why a patch cannot be applied. */
export class PatchProblem extends Error {
  constructor(
    message: string,
    /** Which operation it was, from 0. */
    readonly index: number,
  ) {
    super(message)
  }
}

/** A list or record that belongs to the new document alone. */
type Own = unknown[] | Record<string, unknown>

/**
 * The document that a JSON Patch leads to. Of RFC 6902 it takes `add`, `replace` and `remove`, which is all that
 * {@link patchBetween} writes: `copy` and `move` would let a few bytes ask for any amount of work. The document before stays
 * as it is; whatever does not lie on the way to a change is shared between them.
 * @throws PatchProblem for an operation that cannot be made, or a patch that asks for too much
 */
export function withPatch<T extends object>(document: T, patch: readonly unknown[]): T {
  if (patch.length > PATCH_LIMITS.operations)
    throw new PatchProblem(words('patch.too-many-changes'), PATCH_LIMITS.operations)
  const work = { shifts: 0, copies: 0 }
  const owned = new Set<Own>()
  let root: unknown = own(document, owned, work)
  for (const [index, sent] of patch.entries()) {
    try {
      root = applied(root as Own, operationOf(sent), owned, work)
      if (work.shifts > PATCH_LIMITS.shifts || work.copies > PATCH_LIMITS.copies)
        throw new RangeError(words('patch.asks-too-much'))
    } catch (error) {
      if (error instanceof RangeError) throw new PatchProblem(error.message, index)
      throw error
    }
  }
  return root as T
}

interface Work {
  shifts: number
  copies: number
}

/** Reads an operation. @throws RangeError for one of another kind */
function operationOf(sent: unknown): PatchOperation {
  const { op, path } = (sent ?? {}) as { op?: unknown; path?: unknown }
  if (op !== 'add' && op !== 'replace' && op !== 'remove') throw new RangeError(words('patch.none-made'))
  if (typeof path !== 'string' || (path !== '' && !path.startsWith('/')))
    throw new RangeError(words('patch.no-path'))
  if (op !== 'remove' && !Object.hasOwn(sent as object, 'value'))
    throw new RangeError(words('patch.no-value'))
  return sent as PatchOperation
}

function applied(root: Own, operation: PatchOperation, owned: Set<Own>, work: Work): unknown {
  const keys = operation.path.split('/', PATCH_LIMITS.depth + 2).slice(1)
  if (keys.length > PATCH_LIMITS.depth) throw new RangeError(words('patch.path-too-long'))
  const last = keys.pop()
  if (last === undefined) {
    if (operation.op === 'remove') throw new RangeError(words('patch.leaves-nothing'))
    return operation.value
  }
  let at = root
  for (const key of keys) at = stepInto(at, unescape(key), owned, work)
  const key = unescape(last)
  if (Array.isArray(at)) changeList(at, key, operation, work)
  else changeRecord(at, key, operation)
  return root
}

/** Goes on to a list or record inside, which is copied the first time. */
function stepInto(at: Own, key: string, owned: Set<Own>, work: Work): Own {
  if (!isContainer(at)) throw new RangeError(words('patch.path-leads-nowhere'))
  const place = Array.isArray(at) ? indexOf(key, at.length - 1) : key
  if (!Object.hasOwn(at, place)) throw new RangeError(words('patch.path-leads-nowhere'))
  const inside = (at as Record<string | number, unknown>)[place]
  if (!isContainer(inside)) throw new RangeError(words('patch.path-leads-nowhere'))
  if (owned.has(inside)) return inside
  const copy = own(inside, owned, work)
  ;(at as Record<string | number, unknown>)[place] = copy
  return copy
}

function changeList(list: unknown[], key: string, operation: PatchOperation, work: Work): void {
  if (operation.op === 'add') {
    const index = key === '-' ? list.length : indexOf(key, list.length)
    work.shifts += list.length - index
    list.splice(index, 0, operation.value)
    return
  }
  const index = indexOf(key, list.length - 1)
  if (operation.op === 'replace') list[index] = operation.value
  else {
    work.shifts += list.length - index
    list.splice(index, 1)
  }
}

function changeRecord(record: Record<string, unknown>, key: string, operation: PatchOperation): void {
  if (!isContainer(record) || key === '__proto__') throw new RangeError(words('patch.path-leads-nowhere'))
  if (operation.op !== 'add' && !Object.hasOwn(record, key))
    throw new RangeError(words('patch.path-leads-nowhere'))
  if (operation.op === 'remove') Reflect.deleteProperty(record, key)
  else record[key] = operation.value
}

/** An index as RFC 6901 writes it. @throws RangeError for none, or one beyond `most` */
function indexOf(key: string, most: number): number {
  const index = /^(0|[1-9]\d{0,8})$/.test(key) ? Number(key) : -1
  if (index < 0 || index > most) throw new RangeError(words('patch.path-leads-nowhere'))
  return index
}

function isContainer(value: unknown): value is Own {
  return typeof value === 'object' && value !== null
}

function own(value: object, owned: Set<Own>, work: Work): Own {
  const copy: Own = Array.isArray(value)
    ? [...(value as unknown[])]
    : { ...(value as Record<string, unknown>) }
  work.copies += Array.isArray(copy) ? copy.length : Object.keys(copy).length
  owned.add(copy)
  return copy
}

const unescape = (key: string) => (key.includes('~') ? key.replaceAll('~1', '/').replaceAll('~0', '~') : key)
