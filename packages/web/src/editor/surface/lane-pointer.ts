/** A place on a lane, in px from its left and top and as what it means there. */
export interface LanePlace {
  readonly x: number
  readonly y: number
  readonly tick: number
  /** Share of the control's travel, 0 to 1. */
  readonly travel: number
}

/** What a hand does on a lane, whatever it does it with. */
export interface LanePointer extends LanePlace {
  readonly by: 'mouse' | 'finger' | 'pen'
  /** Keys that are held meanwhile. */
  readonly shift: boolean
  readonly alt: boolean
  readonly ctrl: boolean
  /** Where it was since it was last told of, oldest first; itself is the last. */
  readonly trail: readonly LanePlace[]
}

/** A way of working on a lane: a small machine that is told what the hand does and keeps for itself where it is. */
export interface LaneTool {
  /** @returns false where the hand takes nothing here: what it does next is not told */
  down(pointer: LanePointer): boolean
  /** The hand that took something moves. */
  move(pointer: LanePointer): void
  /** It lets go: what was begun is done. */
  up(pointer: LanePointer): void
  /** What was begun is given up: a second finger came down, or the hand was taken away. */
  cancel(): void
  /** A finger that took something has been still for a while: what a mouse does with another key. */
  hold?(pointer: LanePointer): void
  /** A hand goes over the lane and holds nothing. */
  hover?(pointer: LanePointer): void
  leave?(): void
  /** @returns whether the key means something here */
  key?(event: KeyboardEvent): boolean
}

/** What is looked at, changed by wheel and by two fingers alike. Ticks, and shares of the travel. */
export interface LaneLook {
  /** Closer (above 1) or further, about a tick that stays where it is. */
  zoom(tick: number, factor: number): void
  scroll(ticks: number): void
  /** Closer on the values (above 1), about a travel that stays where it is. */
  tall(travel: number, factor: number): void
}

/** The same as a surface tells it, to be bound to one. */
export interface LookListeners {
  readonly onZoom: LaneLook['zoom']
  readonly onScroll: LaneLook['scroll']
  readonly onTall: LaneLook['tall']
}
