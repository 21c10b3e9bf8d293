import { words } from '@rudlo/words'
import type { WorkDocument } from '@rudlo/core/mix'
import { LIMITS, PatchProblem, withPatch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { checkChangedWork, checkWork } from '@rudlo/core/validate'
import { breathFor } from '../http/breath'
import { badInput, tooLarge } from '../http/problem'

/** A whole work, checked, and its text to store. */
export interface CheckedWork {
  readonly document: WorkDocument
  readonly text: string
}

/**
 * Applies a JSON Patch to a work and checks what comes out. Nothing is changed in place.
 * @param length of the document before, as text, at most
 * @param isChecked whether the document before passed the check here: then only what changed is checked
 * @throws Problem 400 or 413 with a sentence that names the place
 */
export async function applyPatch(
  before: WorkDocument,
  patch: readonly unknown[],
  song: SongVersion,
  length: number,
  isChecked: boolean,
): Promise<WorkDocument> {
  let after: unknown
  try {
    after = withPatch(before, patch)
  } catch (error) {
    if (!(error instanceof PatchProblem)) throw error
    throw badInput(words('work.change-patch-cannot', { index: error.index + 1, message: error.message }))
  }
  await breathFor(length)
  const checked = isChecked ? checkChangedWork(after, before, song) : checkWork(after, song)
  if (!checked.ok) throw badInput(checked.problem)
  return checked.work
}

/** The text of a work. @throws Problem 413 where it is too long to be kept */
export function textOfWork(document: WorkDocument): string {
  const text = JSON.stringify(document)
  if (text.length > LIMITS.bytes) throw tooLarge(words('work.mix-larger-mib'))
  return text
}

/** Checks a whole work as received. @throws Problem 400 or 413 */
export async function checkedWork(document: unknown, song: SongVersion): Promise<CheckedWork> {
  const checked = checkWork(document, song)
  if (!checked.ok) throw badInput(checked.problem)
  await breathFor(Infinity)
  return { document: checked.work, text: textOfWork(checked.work) }
}
