/** One operation of a JSON Patch (RFC 6902), of the three kinds that Rudlo writes. */
export type PatchOperation =
  | { readonly op: 'add'; readonly path: string; readonly value: unknown }
  | { readonly op: 'replace'; readonly path: string; readonly value: unknown }
  | { readonly op: 'remove'; readonly path: string }

export type Patch = readonly PatchOperation[]

/** What a patch may ask for. An edit of every point of the largest mix stays far below. */
export const PATCH_LIMITS = {
  operations: 20_000,
  /** Steps of a path. */
  depth: 16,
  /** Entries of lists that are moved along by what comes in before them, or goes. */
  shifts: 30_000_000,
  /** Entries and properties that are copied, since the document before stays as it is. */
  copies: 2_000_000,
} as const

type Json = Readonly<Record<string, unknown>> | readonly unknown[]

/**
 * The patch that leads from one document to another. Documents are edited by copying only what changes, so
 * whatever is the same object is skipped at once; lists are compared from both ends, which makes inserting a
 * point one operation wherever it lands.
 */
export function patchBetween(before: unknown, after: unknown): Patch {
  const patch: PatchOperation[] = []
  compare(before, after, '', patch)
  return patch.length > PATCH_LIMITS.operations ? coarse(before, after) : patch
}

/** A list in which a longer stretch differs is replaced as a whole: that is shorter, and less work. */
const LONGEST_STRETCH = 500

/** The same in few operations: whatever differs at the top is replaced. */
function coarse(before: unknown, after: unknown): Patch {
  if (!isRecord(before) || !isRecord(after)) return [{ op: 'replace', path: '', value: after }]
  const gone = Object.keys(before).filter((key) => !Object.hasOwn(after, key))
  const changed = Object.entries(after).filter(
    ([key, value]) => !Object.hasOwn(before, key) || !equal(before[key], value),
  )
  return [
    ...gone.map((key) => ({ op: 'remove' as const, path: `/${escape(key)}` })),
    ...changed.map(([key, value]) => ({ op: 'add' as const, path: `/${escape(key)}`, value })),
  ]
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
  if (Math.max(gone, come) > LONGEST_STRETCH) {
    patch.push({ op: 'replace', path, value: after })
    return
  }
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
