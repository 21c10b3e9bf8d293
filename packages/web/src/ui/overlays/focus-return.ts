/**
 * Where the focus is, for going back to it: the element itself, or the button of the menu that it lies in, which closes meanwhile.
 * Null where nothing has it.
 */
export function focusedNow(): HTMLElement | null {
  const { activeElement } = document
  if (!(activeElement instanceof HTMLElement) || activeElement === document.body) return null
  const menu = activeElement.closest('.v-overlay.v-menu')
  return menu?.id
    ? document.querySelector<HTMLElement>(`[aria-controls="${CSS.escape(menu.id)}"]`)
    : activeElement
}

/** Gives the focus back, unless it went elsewhere on purpose or what had it is gone. */
export function focusAgain(before: HTMLElement | null): void {
  const { activeElement, body } = document
  // what lay in the dialog has the focus still for a moment, and is not seen any more
  const elsewhere = activeElement && activeElement !== body && activeElement.checkVisibility()
  if (before?.isConnected && !elsewhere) before.focus()
}
