import type { Router } from 'vue-router'
import { t } from '../words/t'

/** Where it is kept that a page was opened anew because a file of it was missing, and when. */
const ANEW_KEY = 'rudlo-opened-anew'
/** A page is not opened anew twice within so long, in ms: then it is something else that is wrong. */
const ONCE_IN = 30_000

/** Whether the server answers at all. */
async function isThere(): Promise<boolean> {
  try {
    return (await fetch('/api/health', { cache: 'no-store' })).ok
  } catch {
    return false
  }
}

function mayOpenAnew(now: number): boolean {
  const last = Number(sessionStorage.getItem(ANEW_KEY) ?? 0)
  if (now - last < ONCE_IN) return false
  sessionStorage.setItem(ANEW_KEY, String(now))
  return true
}

/**
 * Says so where somebody goes to a room whose files cannot be fetched, instead of staying where they are without a word. Where the
 * server is there but the files are not, a newer version has taken their place: the room is opened from it.
 * @param say shows one sentence to the person
 * @param openAnew has the browser go to an address
 */
export function whenRoomIsMissing(
  router: Pick<Router, 'onError'>,
  say: (sentence: string) => void,
  openAnew = (path: string) => location.assign(path),
): void {
  router.onError(async (_, { fullPath }) => {
    if (!(await isThere())) say(t('ui.unreachable'))
    else if (mayOpenAnew(Date.now())) openAnew(fullPath)
    else say(t('ui.fault'))
  })
}
