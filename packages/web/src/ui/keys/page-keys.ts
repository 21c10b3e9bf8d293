import { useEventListener } from '@vueuse/core'
import { actionsOf, type ShortcutGroup } from './shortcuts'

/** Elements that need their keys themselves: whatever is typed into. */
const BUSY = 'input:not([type=checkbox], [type=radio], [role=combobox]), textarea, select, [contenteditable]'
/** What Space itself changes: without it they could not be used by keys. */
const TOGGLED = 'input[type=checkbox], [role=combobox], [role=option]'
/** A list or a dialog that is open. Lists leave keys with Control to the page: what was just done there can be undone. */
const OPEN = '.v-overlay-container *'

/**
 * Listens to the keys of a whole page, except while somebody types or a dialog is open. Space is the page's wherever the focus is,
 * also on a button: it plays and stops, and Enter presses.
 */
export function usePageKeys(groups: readonly ShortcutGroup[]): void {
  const actions = actionsOf(groups)

  function actionOf(event: KeyboardEvent): (() => void) | undefined {
    const target = event.target as HTMLElement
    const control = event.ctrlKey || event.metaKey
    if (event.defaultPrevented || event.altKey || target.closest(BUSY)) return
    if (target.closest(OPEN) && !(control && target.closest('.v-menu, .v-select__content'))) return
    if (event.key === ' ' && target.closest(TOGGLED)) return
    if (event.key === 'Enter' && target.closest('button, a')) return
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    return actions[`${control ? 'Ctrl+' : ''}${control && event.shiftKey ? 'Shift+' : ''}${key}`]
  }

  useEventListener(window, 'keydown', (event) => {
    const action = actionOf(event)
    if (!action) return
    event.preventDefault()
    action()
  })
  // a button is pressed when Space comes up again
  useEventListener(window, 'keyup', (event) => {
    if (event.key === ' ' && actionOf(event)) event.preventDefault()
  })
}
