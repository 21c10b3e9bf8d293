import fastJsonPatch, { type Operation } from 'fast-json-patch'

/**
 * The document that a JSON Patch (RFC 6902) leads to. The one before stays as it is; whatever does not lie on the way to
 * a change is shared between them.
 * @throws JsonPatchError, with `name` and the `index` of the operation, for one that cannot be made
 */
export function withPatch<T extends object>(document: T, patch: readonly unknown[]): T {
  const own = unshared(document, patch)
  return fastJsonPatch.applyPatch(own, patch as Operation[], true, true, true).newDocument
}

/**
 * A document that may be patched in place without touching the one before: what lies on the way to a change
 * is copied once, everything else is shared. A mix has thousands of points, and a save changes a few.
 */
function unshared<T extends object>(document: T, patch: readonly unknown[]): T {
  const root = { ...document } as Json
  const owned = new Set<Json>([root])
  for (const operation of patch) {
    const { path, from } = (operation ?? {}) as { path?: unknown; from?: unknown }
    for (const pointer of [path, from]) if (typeof pointer === 'string') unshareAlong(root, pointer, owned)
  }
  return root as T
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
