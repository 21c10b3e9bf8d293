import { useEventListener } from '@vueuse/core'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'

/**
 * Asks before something that was typed is lost by going elsewhere.
 * @param isUnsaved whether something would be lost now
 * @param ask asks in the application's own dialog, and gives whether to go all the same
 */
export function useLeaveGuard(isUnsaved: () => boolean, ask: () => Promise<boolean>): void {
  const mayGo = () => (isUnsaved() ? ask() : true)
  onBeforeRouteLeave(mayGo)
  onBeforeRouteUpdate(mayGo)
  // closing the window is asked about by the browser: a page cannot
  useEventListener(window, 'beforeunload', (event) => {
    if (isUnsaved()) event.preventDefault()
  })
}
