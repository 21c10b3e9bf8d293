import type { LaneTool } from '../surface/lane-pointer'

/** px from which a press is a drag. */
const DRAG = 6

/** What is done with a lane that is only read. Ticks, as the hand has them. */
export interface PlacePorts {
  /** A stretch was drawn over. */
  stretch(from: number, to: number): void
  /** A place was pressed. */
  go(tick: number): void
}

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'pressed'; readonly x: number; readonly tick: number }
  | { readonly kind: 'stretching'; readonly tick: number }

/** The tool of a lane that is read and not written: a drag means a stretch, a press a place. */
export function placeTool(ports: PlacePorts): LaneTool {
  let state: State = { kind: 'idle' }
  return {
    down({ x, tick }) {
      state = { kind: 'pressed', x, tick }
      return true
    },
    move({ x, tick }) {
      if (state.kind === 'pressed' && Math.abs(x - state.x) >= DRAG)
        state = { kind: 'stretching', tick: state.tick }
      if (state.kind === 'stretching') ports.stretch(state.tick, tick)
    },
    up() {
      if (state.kind === 'pressed') ports.go(Math.max(0, Math.round(state.tick)))
      state = { kind: 'idle' }
    },
    cancel() {
      state = { kind: 'idle' }
    },
  }
}
