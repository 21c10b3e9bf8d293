/** What two fingers do on a lane. Places and ways are px of the lane. */
export interface PinchPorts {
  /** The second finger came down. */
  begin(): void
  /** Closer (above 1) or further about a place. */
  zoom(x: number, factor: number): void
  scroll(px: number): void
}

interface Place {
  readonly x: number
  readonly y: number
}

/** Follows fingers: with two down they scroll by their middle and zoom by their distance. */
export function pinchOf(ports: PinchPorts) {
  const fingers = new Map<number, Place>()
  let before: { readonly middle: number; readonly distance: number } | null = null

  function look(): { middle: number; distance: number } | null {
    const [a, b] = [...fingers.values()]
    if (!a || !b) return null
    return { middle: (a.x + b.x) / 2, distance: Math.max(20, Math.hypot(a.x - b.x, a.y - b.y)) }
  }

  return {
    /** @returns true where it is the second finger: nothing else is meant by it */
    down(id: number, place: Place): boolean {
      fingers.set(id, place)
      if (fingers.size < 2) return false
      if (!before) ports.begin()
      before = look()
      return true
    },
    /** @returns true while two fingers are down */
    move(id: number, place: Place): boolean {
      if (!fingers.has(id)) return false
      fingers.set(id, place)
      const now = look()
      if (!before || !now) return before !== null
      ports.scroll(before.middle - now.middle)
      ports.zoom(now.middle, now.distance / before.distance)
      before = now
      return true
    },
    up(id: number): void {
      fingers.delete(id)
      if (!fingers.size) before = null
    },
  }
}
