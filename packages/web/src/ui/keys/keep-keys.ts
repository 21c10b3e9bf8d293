/**
 * For a field in a menu or a dialog: its keys are for whoever types, and none of them reaches the list around it. Escape does:
 * it closes what the field lies in.
 */
export function keepKeys(event: KeyboardEvent): void {
  if (event.key !== 'Escape') event.stopPropagation()
}
