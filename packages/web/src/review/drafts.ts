/** What a teacher has written and not yet sent, kept on this machine until the server has it. */

import { keep, kept } from '../shell/kept'

/** A remark that is being written. */
export interface Draft {
  readonly text: string
  /** The check, move or mistake that it is about. */
  readonly subject: string
}

/** A review that the server does not have yet. */
export interface UnsavedReview {
  readonly marks: Readonly<Record<string, number>>
  readonly comment: string
  /** The revision that it follows. */
  readonly revision: number
}

const key = (kind: 'remark' | 'review', handIn: string) => `rudlo-${kind}-${handIn}`

function read<T>(kind: 'remark' | 'review', handIn: string): T | null {
  try {
    return JSON.parse(kept(key(kind, handIn)) ?? 'null') as T | null
  } catch {
    return null
  }
}

function write(kind: 'remark' | 'review', handIn: string, value: object | null): void {
  keep(key(kind, handIn), value && JSON.stringify(value))
}

export const draftOf = (handIn: string) => read<Draft>('remark', handIn)
export const keepDraft = (handIn: string, draft: Draft) =>
  write('remark', handIn, draft.text.trim() ? draft : null)
export const unsavedOf = (handIn: string) => read<UnsavedReview>('review', handIn)
export const keepUnsaved = (handIn: string, review: UnsavedReview | null) => write('review', handIn, review)
