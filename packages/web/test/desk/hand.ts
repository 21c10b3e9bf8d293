import { commands } from 'vitest/browser'

/** A place in the test's page, in px. */
export interface Place {
  readonly x: number
  readonly y: number
}

export type By = 'mouse' | 'finger'

export interface DragOptions {
  /** Several are to be chosen: with Shift by mouse, by a finger that is held still first. */
  readonly choosing?: boolean
}

/** A stroke that goes to the real mouse or touch screen of the browser. */
export interface Stroke extends DragOptions {
  readonly by: By
  readonly places: readonly Place[]
}

/** Two fingers, from their first places to their last. */
export interface Pinch {
  readonly from: readonly [Place, Place]
  readonly to: readonly [Place, Place]
}

declare module 'vitest/browser' {
  interface BrowserCommands {
    stroke: (stroke: Stroke) => Promise<void>
    pinch: (pinch: Pinch) => Promise<void>
  }
}

/** Places on the way from one to the next, so that it is a drag and not a leap. */
const way = (places: readonly Place[]): Place[] =>
  places.flatMap((to, i) => {
    const from = places[i - 1]
    if (!from) return [to]
    return [1, 2, 3, 4, 5].map((k) => ({
      x: from.x + ((to.x - from.x) * k) / 5,
      y: from.y + ((to.y - from.y) * k) / 5,
    }))
  })

/** What everybody works with here: the project says so. */
export const by: By = navigator.maxTouchPoints > 0 ? 'finger' : 'mouse'

/** Presses and lets go. */
export const press = (at: Place): Promise<void> => commands.stroke({ by, places: [at] })

/** Goes from place to place and lets go at the last. */
export const drag = (places: readonly Place[], options: DragOptions = {}): Promise<void> =>
  commands.stroke({ by, places: way(places), ...options })

/** Puts a finger down, then a second one, and moves both. */
export const pinch = (pinch: Pinch): Promise<void> => commands.pinch(pinch)
