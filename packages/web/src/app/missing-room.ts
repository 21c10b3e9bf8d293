import type { Router } from 'vue-router'
import { whyNotReached } from '../api/reached'
import { keep, kept } from '../browser/kept'
import { t } from '../words/t'

/** When a page was opened anew because files of it were missing. */
const ANEW_KEY = 'rudlo-opened-anew'
/** A page is not opened anew twice within so long, in ms: then it is something else that is wrong. */
const ONCE_IN = 30_000

/** Whether a page may be opened anew; not where this browser keeps nothing, since that could go on and on. */
const mayOpenAnew = (now: number): boolean =>
  now - Number(kept(ANEW_KEY) ?? 0) > ONCE_IN && keep(ANEW_KEY, String(now))

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
    const away = await whyNotReached()
    if (!away && mayOpenAnew(Date.now())) openAnew(fullPath)
    else say(away ?? t('ui.fault'))
  })
}
