import { words } from '@rudlo/words'
import type { WorkDocument } from '@rudlo/core/mix'
import { LIMITS, PatchProblem, withPatch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { checkChangedWork, checkWork } from '@rudlo/core/validate'
import { breathFor } from '../http/breath'
import { badInput, tooLarge } from '../http/problem'

/** A work after a patch, checked, and its text to store. */
export interface Patched {
  readonly document: WorkDocument
  readonly text: string
}

/**
 * Applies a JSON Patch to a work and checks what comes out. Nothing is changed in place.
 * @param length of the document before, as text
 * @param isChecked whether the document before passed the check here: then only what changed is checked
 * @throws Problem 400 or 413 with a sentence that names the place
 */
export async function applyPatch(
  before: WorkDocument,
  patch: readonly unknown[],
  song: SongVersion,
  length: number,
  isChecked: boolean,
): Promise<Patched> {
  let after: unknown
  try {
    after = withPatch(before, patch)
  } catch (error) {
    if (!(error instanceof PatchProblem)) throw error
    throw badInput(words('work.change-patch-cannot', { index: error.index + 1, message: error.message }))
  }
  await breathFor(length)
  return checkedWork(after, song, length, isChecked ? before : null)
}

/**
 * Checks a work as received.
 * @param length about how long it is as text
 * @param before what it was made from, where that passed the check; null to check the whole
 * @throws Problem 400 or 413
 */
export async function checkedWork(
  document: unknown,
  song: SongVersion,
  length = Infinity,
  before: WorkDocument | null = null,
): Promise<Patched> {
  const checked = before ? checkChangedWork(document, before, song) : checkWork(document, song)
  if (!checked.ok) throw badInput(checked.problem)
  await breathFor(length)
  const text = JSON.stringify(checked.work)
  if (text.length > LIMITS.bytes) {
    throw tooLarge(words('work.mix-larger-mib'))
  }
  return { document: checked.work, text }
}
