import type { WorkDocument } from '@rudlo/core/mix'
import { LIMITS, PatchProblem, withPatch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { checkWork } from '@rudlo/core/validate'
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
    after = withPatch(before, patch)
  } catch (error) {
    if (!(error instanceof PatchProblem)) throw error
    throw badInput(`Change ${error.index + 1} of the patch cannot be made: ${error.message}.`)
  }
  return checkedWork(after, song)
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
