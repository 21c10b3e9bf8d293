import type { WorkDocument } from '@rudlo/core/mix'
import { LIMITS } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { checkWork } from '@rudlo/core/validate'
import fastJsonPatch, { type Operation } from 'fast-json-patch'
import { badInput, Problem } from '../http/problem'

/** A work after a patch, checked, and its text to store. */
export interface Patched {
  readonly document: WorkDocument
  readonly text: string
}

/**
 * Applies a JSON Patch to a work and checks what comes out. Nothing is changed in place.
 * @throws Problem 400 or 413 with a sentence that names the place
 */
export function applyPatch(before: WorkDocument, patch: readonly unknown[], song: SongVersion): Patched {
  let after: unknown
  try {
    const own = unshared(before, patch)
    after = fastJsonPatch.applyPatch(own, patch as Operation[], true, true, true).newDocument
  } catch (error) {
    const { name, index } = error as { name?: string; index?: number }
    throw badInput(
      `Change ${(index ?? 0) + 1} of the patch cannot be made (${(name ?? 'error').toLowerCase()}).`,
    )
  }
  return checkedWork(after, song)
}

/**
 * A document that may be patched in place without touching the one before: what lies on the way to a change
 * is copied once, everything else is shared. A mix has thousands of points, and a save changes a few.
 */
function unshared(document: WorkDocument, patch: readonly unknown[]): WorkDocument {
  const root: Json = { ...document }
  const owned = new Set<Json>([root])
  for (const operation of patch) {
    const { path, from } = (operation ?? {}) as { path?: unknown; from?: unknown }
    for (const pointer of [path, from]) if (typeof pointer === 'string') unshareAlong(root, pointer, owned)
  }
  return root as unknown as WorkDocument
}

type Json = Record<string, unknown>

function unshareAlong(root: Json, pointer: string, owned: Set<Json>): void {
  let at = root
  for (const part of pointer.split('/').slice(1, -1)) {
    const key = part.replaceAll('~1', '/').replaceAll('~0', '~')
    // a way that leads nowhere is refused when the patch is applied
    if (!Object.hasOwn(at, key) || typeof at[key] !== 'object' || at[key] === null) return
    let next = at[key] as Json
    if (!owned.has(next)) {
      next = (Array.isArray(next) ? [...(next as unknown[])] : { ...next }) as Json
      at[key] = next
      owned.add(next)
    }
    at = next
  }
}

/** Checks a whole work as received. @throws Problem 400 or 413 */
export function checkedWork(document: unknown, song: SongVersion): Patched {
  const checked = checkWork(document, song)
  if (!checked.ok) throw badInput(checked.problem)
  const text = JSON.stringify(checked.work)
  if (text.length > LIMITS.bytes) {
    throw new Problem(413, 'too-large', 'The mix would be larger than the 2 MiB that a mix can be.')
  }
  return { document: checked.work, text }
}
