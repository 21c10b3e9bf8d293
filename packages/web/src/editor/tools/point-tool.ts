import { indexAt, travelAt, type Chosen, type Points } from '@rudlo/core/envelope'
import { onStep, type Control } from '@rudlo/core/scale'
import { computed, shallowRef } from 'vue'
import type { LineEditor } from '../lane/line-editor'
import type { Viewport } from '../lane/viewport'
import type { LanePointer, LaneTool } from '../surface/lane-pointer'
import { pointsInBox, type Box } from './box'
import { pointAt } from './hit-test'
import { ARROWS, nudged, tidied } from './nudge'

/** What the tool of points knows and does. Places are ticks and values of the control. */
export interface PointPorts {
  view(): Viewport
  points(): Points
  control(): Control
  readonly editor: LineEditor
  /** How far an arrow key moves a point, in ticks. */
  step(tick: number): number
  /** Why nothing can be changed here; empty where it can. */
  locked(): string
  /** Where Enter adds a point: the play position, and the value the lane has there. */
  here(): { readonly tick: number; readonly value: number }
  refuse(reason: string): void
  /** A box is drawn, as it is now, or is done: lanes beside this one may lie in it too. */
  boxed(box: Box | null): void
}

/** px within which a point is taken, by mouse (or pen) and by finger. */
const REACH = { mouse: 15, pen: 15, finger: 26 }
/** px within which a press means the line that is there. */
const HAIR = { mouse: 4, pen: 4, finger: 9 }
/** px of a span's width and height of its ends' difference from which on its middle can be taken. */
const BENDABLE = { width: 34, height: 10 }
/** px a press may slip before it counts as a drag. */
const SLIP = 3

/** The middle of a span, where it can be bent, in px. */
export interface Middle {
  readonly index: number
  readonly x: number
  readonly y: number
}

export type PointState =
  /** Nothing is held; what lies under the mouse. */
  | { readonly kind: 'idle'; readonly hovered: number; readonly middle: Middle | null }
  /** A point, a new point or the middle of a span is in hand, so far from where it was taken. */
  | {
      readonly kind: 'holding'
      readonly x: number
      readonly y: number
      readonly dx: number
      readonly dy: number
      readonly moved: boolean
      readonly finger: boolean
      /** The point that was there, or −1, and what selects again what was selected before. */
      readonly index: number
      readonly restore: () => void
    }
  /** A box is drawn round points, which join those that were selected. */
  | { readonly kind: 'boxing'; readonly box: Box; readonly before: Chosen }

const IDLE: PointState = { kind: 'idle', hovered: -1, middle: null }

/** Sets points, moves them, bends what lies between them, and selects several. */
export function pointTool(ports: PointPorts) {
  const { editor } = ports
  const state = shallowRef<PointState>(IDLE)
  const valueAt = (y: number) => {
    const { scale } = ports.control()
    return onStep(ports.control(), tidied(scale.kind, scale.toValue(ports.view().travel(y))))
  }
  const hit = ({ x, y, by }: LanePointer) =>
    pointAt(ports.points(), ports.control().scale, ports.view(), x, y, REACH[by])

  /** The middle of the span after a point, where it can be bent. */
  function middleAfter(index: number): Middle | null {
    const [points, view, { scale }] = [ports.points(), ports.view(), ports.control()]
    const [from, to] = [points[index], points[index + 1]]
    if (!from || !to || from.form === 'jump' || scale.kind === 'switch') return null
    const [a, b] = [from, to].map((p) => view.y(scale.toTravel(p.value))) as [number, number]
    const width = view.x(to.tick) - view.x(from.tick)
    if (width < BENDABLE.width || Math.abs(b - a) < BENDABLE.height) return null
    const tick = (from.tick + to.tick) / 2
    return { index, x: view.x(tick), y: view.y(travelAt(points, scale, tick)) }
  }

  const middleUnder = ({ tick }: LanePointer) => middleAfter(indexAt(ports.points(), tick))

  /** Adds the point at a place to those that are selected, or takes it away; where there is none a box begins. */
  function chooseAt(index: number, { x, y }: LanePointer): void {
    if (index >= 0) {
      editor.toggle(index)
      state.value = IDLE
    } else state.value = { kind: 'boxing', box: { x, y, toX: x, toY: y }, before: editor.chosen.value }
  }

  function take(pointer: LanePointer, index: number): void {
    const { x, y, by, tick, alt } = pointer
    const p = ports.points()[index]
    const view = ports.view()
    const restore = editor.snapshot()
    const held = { kind: 'holding', x, y, moved: false, finger: by === 'finger', index, restore } as const
    const middle = p ? null : middleUnder(pointer)
    if (p) {
      const dx = view.x(p.tick) - x
      const dy = view.y(ports.control().scale.toTravel(p.value)) - y
      state.value = { ...held, dx, dy }
      editor.grab(index)
    } else if (middle && Math.hypot(middle.x - x, middle.y - y) < REACH[by]) {
      state.value = { ...held, dx: 0, dy: middle.y - y }
      editor.grabMiddle(middle.index)
    } else {
      state.value = { ...held, dx: 0, dy: 0 }
      const points = ports.points()
      const onLine =
        points.length > 0 && Math.abs(view.y(travelAt(points, ports.control().scale, tick)) - y) <= HAIR[by]
      editor.grabNew(tick, onLine ? null : valueAt(y), alt)
    }
  }

  function drawBox(box: Box, before: Chosen): void {
    state.value = { kind: 'boxing', box, before }
    const inside = pointsInBox(box, ports.points(), ports.control().scale, ports.view())
    editor.choose(new Set([...before, ...inside]))
    ports.boxed(box)
  }

  /** Gives up what is in hand. */
  function lost(): void {
    const was = state.value
    state.value = IDLE
    if (was.kind === 'holding') editor.cancel()
    else if (was.kind === 'boxing') ports.boxed(null)
  }

  function nudge(time: -1 | 0 | 1, value: -1 | 0 | 1, fine: boolean): void {
    const p = editor.current.value
    if (!p) return editor.step(time < 0 || value < 0 ? -1 : 1)
    const step = fine ? 10 : ports.step(p.tick)
    const to = value ? nudged(ports.control(), p.value, value, fine) : p.value
    editor.moveSelected(p.tick + time * step, to)
  }

  /** Keys that choose points; they work on a locked lane too. */
  function chooses(event: KeyboardEvent): boolean {
    const last = ports.points().length - 1
    const by = { PageDown: 1, PageUp: -1 }[event.key] as 1 | -1 | undefined
    if (by && event.shiftKey) editor.chooseOn(by)
    else if (by) editor.step(by)
    else if (event.key === 'Home') editor.select(Math.min(0, last))
    else if (event.key === 'End') editor.select(last)
    else if (event.key !== 'Escape') return false
    else if (state.value.kind === 'holding') lost()
    else editor.select(-1)
    return true
  }

  /** Keys that change the line. */
  function edits(event: KeyboardEvent): boolean {
    const arrow = ARROWS[event.key]
    if (!arrow && !['Enter', 'Delete', 'Backspace'].includes(event.key)) return false
    if (ports.locked()) ports.refuse(ports.locked())
    else if (event.key === 'Enter') {
      const { tick, value } = ports.here()
      editor.add(tick, tidied(ports.control().scale.kind, value), false)
    } else if (!arrow) editor.removeSelected()
    else if (event.altKey && arrow[1]) editor.bendSelected(arrow[1])
    else nudge(arrow[0], arrow[1], event.shiftKey)
    return true
  }

  const tool: LaneTool = {
    down(pointer) {
      const index = hit(pointer)
      if (ports.locked()) {
        if (index >= 0) editor.select(index)
        else ports.refuse(ports.locked())
        return false
      }
      if (pointer.shift) chooseAt(index, pointer)
      else take(pointer, index)
      return true
    },
    move({ x, y, shift, alt }) {
      const now = state.value
      if (now.kind === 'boxing') return drawBox({ ...now.box, toX: x, toY: y }, now.before)
      if (now.kind !== 'holding') return
      const [across, up] = [Math.abs(x - now.x), Math.abs(y - now.y)]
      if (!now.moved && across <= SLIP && up <= SLIP) return
      if (!now.moved) state.value = { ...now, moved: true }
      const axis = !shift ? null : across > up ? 'time' : 'value'
      editor.dragTo(ports.view().tick(x + now.dx), valueAt(y + now.dy), alt, axis)
    },
    up() {
      const was = state.value
      state.value = IDLE
      if (was.kind === 'holding') editor.drop()
      else if (was.kind === 'boxing') ports.boxed(null)
    },
    cancel: lost,
    hold(pointer) {
      const was = state.value
      if (was.kind !== 'holding') return
      // held still, a finger chooses several: what it had begun is given up
      lost()
      was.restore()
      chooseAt(was.index, pointer)
    },
    hover(pointer) {
      const mouse = pointer.by === 'mouse'
      state.value = {
        kind: 'idle',
        hovered: mouse ? hit(pointer) : -1,
        middle: mouse ? middleUnder(pointer) : null,
      }
    },
    leave() {
      if (state.value.kind === 'idle') state.value = IDLE
    },
    key(event) {
      const ctrl = event.ctrlKey || event.metaKey
      if (ctrl && event.key === 'a') {
        editor.chooseAll()
        return true
      }
      return !ctrl && (chooses(event) || edits(event))
    },
  }

  /** The middles that can be taken: under the mouse, or after the selected point. */
  const middles = computed(() => {
    const now = state.value
    if (ports.locked() || now.kind === 'holding') return []
    const under = now.kind === 'idle' ? now.middle : null
    return [under, middleAfter(editor.selected.value)]
      .filter((m) => m !== null)
      .filter((m, i, all) => i === 0 || m.index !== all[0]?.index)
  })

  return { tool, state, middles }
}
