/** How long a finger must lie still, in ms. */
const HOLD = 450
/** px it may slip meanwhile. */
const SLIP = 8

/** Notices a finger that is held still: what a mouse does with another key, a finger does so. */
export function fingerHold() {
  let held: { readonly x: number; readonly y: number } | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  function end(): void {
    clearTimeout(timer)
    held = null
  }

  return {
    /** A finger came down: `what` is done if it stays where it is. */
    down(x: number, y: number, what: () => void): void {
      end()
      held = { x, y }
      timer = setTimeout(() => (end(), what()), HOLD)
    },
    move(x: number, y: number): void {
      if (held && Math.hypot(x - held.x, y - held.y) > SLIP) end()
    },
    /** The finger went up, or is used for something else. */
    end,
  }
}
