import { forgetAhead } from '../api/ahead'
import { forgetWindow } from '../browser/kept'
import { OfflineCopy } from '../document/offline-copy'
import { dropStrays, ReviewDrafts } from '../document/review-drafts'
import { forgetAudio } from '../engine/asset-loader'

dropStrays()

/** Takes off this machine what was sent by somebody who leaves; what was not stays until its owner comes back. */
export async function putAway(personId: string): Promise<void> {
  const copy = new OfflineCopy(personId)
  if (await copy.isEmpty()) await copy.destroy()
  new ReviewDrafts(personId).clear({ unsaved: false })
  forgetAhead()
  forgetAudio()
  forgetWindow()
}
