import type { Overrules } from '@rudlo/core/brief'
import { ref } from 'vue'
import { server, told } from '../../api/client'
import { ApiError } from '../../api/errors'
import type { ReviewDrafts, UnsavedReview } from '../../document/review-drafts'

/** So long after the last change it is saved, and so long after the server was away it is tried again, in ms. */
const QUIET_MS = 400
const AGAIN_MS = 4000

/** What a teacher says of a hand-in besides its remarks. */
export interface Said {
  readonly marks: Record<string, number>
  readonly comment: string
  readonly overrules: Overrules
}

/** What saving needs of the desk. */
export interface ReviewSaverPorts {
  /** Id of the hand-in on the desk; empty where none lies there. */
  readonly handIn: () => string
  /** What is said of it now. */
  readonly said: () => Said
  /** What this machine keeps of the person who is signed in. */
  readonly drafts: () => ReviewDrafts
  /** Tells why it could not be saved. */
  readonly tell: (sentence: string) => void
}

/** Saves what a teacher says of a hand-in, soon after it was changed, and keeps it here where the server is away. */
export function useReviewSaver({ handIn, said, drafts, tell }: ReviewSaverPorts) {
  const saveState = ref<'saved' | 'saving' | 'not saved'>('saved')
  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Whether something is not saved yet, and the saves that are under way. */
  let unsaved = false
  let saving: Promise<void> = Promise.resolve()

  /** Begins with a hand-in as the server has it. */
  function begin(at: number): void {
    revision = at
    unsaved = false
    saveState.value = 'saved'
  }

  /** Takes what was said when the server could not be reached, unless somebody else has gone on since. */
  function takeUnsaved(id: string): UnsavedReview | null {
    const kept = drafts().unsavedOf(id)
    if (!kept) return null
    drafts().keepUnsaved(id, null)
    return kept.revision === revision ? kept : null
  }

  function changed(): void {
    unsaved = true
    saveState.value = 'saving'
    clearTimeout(timer)
    timer = setTimeout(() => void save(), QUIET_MS)
  }

  /** Saves one after the other: each follows the revision that the one before made. */
  function save(): Promise<void> {
    clearTimeout(timer)
    saving = saving.then(saveOnce)
    return saving
  }

  async function saveOnce(): Promise<void> {
    const id = handIn()
    if (!id || !unsaved) return
    unsaved = false
    const { marks, comment, overrules } = said()
    const body = { marks: { ...marks }, comment, overrules, revision }
    try {
      const kept = await told(
        server['hand-ins'][':handIn'].review.$put({ param: { handIn: id }, json: body }),
      )
      revision = kept.revision
      drafts().keepUnsaved(id, null)
      if (!unsaved) saveState.value = 'saved'
    } catch (error) {
      unsaved = true
      saveState.value = 'not saved'
      tell((error as Error).message)
      if (error instanceof ApiError) return
      // it is tried again until the server is back, and kept here meanwhile
      drafts().keepUnsaved(id, body)
      timer = setTimeout(() => void save(), AGAIN_MS)
    }
  }

  /** Saves what is not saved yet. @returns whether all is saved */
  async function flush(): Promise<boolean> {
    await save()
    return saveState.value === 'saved'
  }

  return { saveState, begin, takeUnsaved, changed, flush }
}
