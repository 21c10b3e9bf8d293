/** One operation of a JSON Patch (RFC 6902), of the three kinds that Rudlo writes. */
export type PatchOperation =
  | { readonly op: 'add'; readonly path: string; readonly value: unknown }
  | { readonly op: 'replace'; readonly path: string; readonly value: unknown }
  | { readonly op: 'remove'; readonly path: string }

export type Patch = readonly PatchOperation[]

type Json = Readonly<Record<string, unknown>> | readonly unknown[]

/**
 * The patch that leads from one document to another. Documents are edited by copying only what changes, so
 * whatever is the same object is skipped at once; lists are compared from both ends, which makes inserting a
 * point one operation wherever it lands.
 */
export function patchBetween(before: unknown, after: unknown): Patch {
  const patch: PatchOperation[] = []
  compare(before, after, '', patch)
  return patch
}

function compare(before: unknown, after: unknown, path: string, patch: PatchOperation[]): void {
  if (same(before, after)) return
  if (Array.isArray(before) && Array.isArray(after)) compareLists(before, after, path, patch)
  else if (isRecord(before) && isRecord(after)) compareRecords(before, after, path, patch)
  else patch.push({ op: 'replace', path, value: after })
}

function compareRecords(
  before: Readonly<Record<string, unknown>>,
  after: Readonly<Record<string, unknown>>,
  path: string,
  patch: PatchOperation[],
): void {
  for (const key of Object.keys(before)) {
    if (!Object.hasOwn(after, key)) patch.push({ op: 'remove', path: `${path}/${escape(key)}` })
  }
  for (const [key, value] of Object.entries(after)) {
    const at = `${path}/${escape(key)}`
    if (Object.hasOwn(before, key)) compare(before[key], value, at, patch)
    else patch.push({ op: 'add', path: at, value })
  }
}

function compareLists(
  before: readonly unknown[],
  after: readonly unknown[],
  path: string,
  patch: PatchOperation[],
) {
  let head = 0
  const shorter = Math.min(before.length, after.length)
  while (head < shorter && equal(before[head], after[head])) head++
  let tail = 0
  while (tail < shorter - head && equal(before[before.length - 1 - tail], after[after.length - 1 - tail]))
    tail++
  const gone = before.length - tail - head
  const come = after.length - tail - head
  const both = Math.min(gone, come)
  for (let i = 0; i < both; i++) compare(before[head + i], after[head + i], `${path}/${head + i}`, patch)
  for (let i = gone - 1; i >= both; i--) patch.push({ op: 'remove', path: `${path}/${head + i}` })
  for (let i = both; i < come; i++)
    patch.push({ op: 'add', path: `${path}/${head + i}`, value: after[head + i] })
}

function equal(a: unknown, b: unknown): boolean {
  if (same(a, b)) return true
  if (!isContainer(a) || !isContainer(b) || Array.isArray(a) !== Array.isArray(b)) return false
  const keys = Object.keys(a)
  return (
    keys.length === Object.keys(b).length &&
    keys.every(
      (k) =>
        Object.hasOwn(b, k) && equal((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]),
    )
  )
}

function same(a: unknown, b: unknown): boolean {
  return Object.is(a, b) || (a === 0 && b === 0)
}

function isContainer(value: unknown): value is Json {
  return typeof value === 'object' && value !== null
}

function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return isContainer(value) && !Array.isArray(value)
}

function escape(key: string): string {
  return key.replaceAll('~', '~0').replaceAll('/', '~1')
}
