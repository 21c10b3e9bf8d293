import { forgetWindow } from '../browser/kept'
import { OfflineCopy } from '../document/offline-copy'
import { dropStrays, ReviewDrafts } from '../document/review-drafts'
import { forgetAudio } from '../engine/asset-loader'
import type { useSession } from '../api/session-store'

/** What is taken off this machine when somebody leaves: what was sent goes, what was not stays until its owner comes back. */
export function clearOnFarewell(session: ReturnType<typeof useSession>): void {
  dropStrays()
  session.onFarewell(async (personId) => {
    const copy = new OfflineCopy(personId)
    if (await copy.isEmpty()) await copy.destroy()
    new ReviewDrafts(personId).clear({ unsaved: false })
    forgetAudio()
    forgetWindow()
  })
}
