/** What a teacher has written and not yet sent, kept on this machine until the server has it: by person, never somebody else's. */
import type { Overrules } from '@rudlo/core/brief'
import { isNumber, isText, readKeptOr, recordOf, shape, type Is } from '@rudlo/core/stored'
import { forget, keep, kept, keptKeys } from '../browser/kept'

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
  /** What was overruled; missing in what an earlier version kept. */
  readonly overrules?: Overrules
  /** The revision that it follows. */
  readonly revision: number
}

const isDraft = shape<Draft>({ text: isText, subject: isText })
const isUnsaved = shape<UnsavedReview>({ marks: recordOf(isNumber), comment: isText, revision: isNumber })

const PREFIX = 'rudlo-unsent-'

/** What one teacher has not sent yet. */
export class ReviewDrafts {
  readonly #prefix: string

  constructor(personId: string) {
    this.#prefix = `${PREFIX}${personId}-`
  }

  draftOf(handIn: string): Draft | null {
    return this.#read('remark', handIn, isDraft)
  }

  /** Keeps a remark that is being written; an empty one is forgotten. */
  keepDraft(handIn: string, draft: Draft): void {
    this.#write('remark', handIn, draft.text.trim() ? draft : null)
  }

  unsavedOf(handIn: string): UnsavedReview | null {
    return this.#read('review', handIn, isUnsaved)
  }

  keepUnsaved(handIn: string, review: UnsavedReview | null): void {
    this.#write('review', handIn, review)
  }

  /** Whether marks wait here that the server does not have. */
  get hasUnsaved(): boolean {
    return keptKeys().some((key) => key.startsWith(`${this.#prefix}review-`))
  }

  /** Forgets everything of this teacher; marks that the server does not have stay unless that is wanted. */
  clear({ unsaved }: { readonly unsaved: boolean }): void {
    for (const key of keptKeys())
      if (key.startsWith(`${this.#prefix}remark-`) || (unsaved && key.startsWith(this.#prefix))) forget(key)
  }

  #read<T>(kind: 'remark' | 'review', handIn: string, is: Is<T>): T | null {
    return readKeptOr(kept(`${this.#prefix}${kind}-${handIn}`), is, null)
  }

  #write(kind: 'remark' | 'review', handIn: string, value: object | null): void {
    keep(`${this.#prefix}${kind}-${handIn}`, value && JSON.stringify(value))
  }
}

/** Forgets what versions before this one kept without saying whose it was. */
export function dropStrays(): void {
  for (const key of keptKeys()) if (/^rudlo-(remark|review)-/.test(key)) forget(key)
}
