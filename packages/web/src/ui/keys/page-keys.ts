import { useEventListener } from '@vueuse/core'

/** What a key does: `Ctrl+` stands in front of keys with Control or Command, `Shift+` after it. */
export type KeyActions = Readonly<Record<string, () => void>>

/** Elements that need their keys themselves. */
const BUSY = 'input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable]'
/** A list or a dialog that is open. Lists leave keys with Control to the page: what was just done there can be undone. */
const OPEN = '.v-overlay-container *'

/** Listens to keys of a whole page, except while somebody types, a button has the focus or a dialog is open. */
export function usePageKeys(actions: KeyActions): void {
  function take(event: KeyboardEvent): void {
    const target = event.target as HTMLElement
    const control = event.ctrlKey || event.metaKey
    if (event.defaultPrevented || event.altKey || target.closest(BUSY)) return
    if (target.closest(OPEN) && !(control && target.closest('.v-menu'))) return
    if ((event.key === ' ' || event.key === 'Enter') && target.closest('button, a')) return
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    const action = actions[`${control ? 'Ctrl+' : ''}${control && event.shiftKey ? 'Shift+' : ''}${key}`]
    if (!action) return
    event.preventDefault()
    action()
  }
  useEventListener(window, 'keydown', take)
}
