import type { LineSpan } from '@rudlo/core/envelope'
import type { MeterMap } from '@rudlo/core/time'
import type { LanePointer, LaneTool } from '../surface/lane-pointer'

/** What the tool of bars knows and does. Places are ticks. */
export interface BarsPorts {
  meter(): MeterMap
  songLength(): number
  /** Where a place ends up that is set by hand: on the grid, or on something that is there. */
  snap(tick: number, free: boolean): number
  /** Whether places snap to something that is there (a section, a region, an onset), which counts more than bars. */
  snapsToThings(): boolean
  /** How many ticks so many px are. */
  ticksOf(px: number): number
  selection(): LineSpan | null
  /** The play position: keys begin there. */
  here(): number
  select(span: LineSpan | null): void
  /** The bars that are meant here where none are selected: those of the task. */
  offered(): LineSpan | null
  /** Goes on to what can be done with the bars that are selected. */
  act(): void
}

/** px beside a bar line, or an end of what is selected, that still mean it. */
const REACH = { mouse: 5, pen: 5, finger: 14 }

/** What is held: the place where a drag began, or one end of what is selected, with the other end. */
type Held =
  | { readonly kind: 'new'; readonly anchor: LanePointer }
  | { readonly kind: 'edge'; readonly other: number }

/**
 * Selects bars: a drag over them takes every bar that it touches, whatever the grid is; a press takes the one that is pressed; the
 * ends of what is selected can be moved, and arrows go from bar to bar. With Alt, places on the grid count; where places snap to
 * something that is there, that does.
 */
export function barsTool(ports: BarsPorts): LaneTool {
  let held: Held | null = null
  const inside = (tick: number) => Math.min(ports.songLength(), Math.max(0, tick))
  const startOf = (bar: number) => Math.min(ports.songLength(), ports.meter().barStart(Math.max(1, bar)))

  /** The bar line that a place is on: within a few px it is meant. */
  function lineAt({ tick, by }: LanePointer): number | null {
    const { bar } = ports.meter().placeAt(Math.round(inside(tick)))
    const near = [startOf(bar), startOf(bar + 1)].find(
      (line) => Math.abs(line - tick) <= ports.ticksOf(REACH[by]),
    )
    return near ?? null
  }

  const exact = (pointer: LanePointer) => pointer.alt || ports.snapsToThings()

  /** From one place to another. */
  function span(a: LanePointer, b: LanePointer): LineSpan {
    const [first, last] = a.tick <= b.tick ? [a, b] : [b, a]
    if (exact(b)) {
      const [from, to] = [first, last].map((p) => ports.snap(inside(p.tick), false)) as [number, number]
      if (to > from) return { from, to }
    }
    const barOf = (tick: number) => ports.meter().placeAt(Math.round(inside(tick))).bar
    const from = lineAt(first) ?? startOf(barOf(first.tick))
    const to = lineAt(last) ?? startOf(barOf(last.tick) + 1)
    return to > from ? { from, to } : { from, to: startOf(barOf(from) + 1) }
  }

  /** The end of what is selected that a pointer is on. */
  function edgeAt({ tick, by }: LanePointer): Held | null {
    const selection = ports.selection()
    if (!selection) return null
    const reach = ports.ticksOf(REACH[by])
    if (Math.abs(tick - selection.to) <= reach) return { kind: 'edge', other: selection.from }
    if (Math.abs(tick - selection.from) <= reach && selection.from > 0)
      return { kind: 'edge', other: selection.to }
    return null
  }

  function moveEdge(other: number, pointer: LanePointer): void {
    const { bar } = ports.meter().placeAt(Math.round(inside(pointer.tick)))
    const [before, after] = [startOf(bar), startOf(bar + 1)]
    const nearest = pointer.tick - before < after - pointer.tick ? before : after
    const at = exact(pointer) ? ports.snap(inside(pointer.tick), false) : nearest
    if (at !== other) ports.select({ from: Math.min(at, other), to: Math.max(at, other) })
  }

  /** So many bars after a tick, from bar line to bar line. */
  const barAfter = (tick: number, by: number) => startOf(ports.meter().placeAt(tick).bar + by)

  /** One bar further or back; longer or shorter at the end. */
  function step(by: number, atEnd: boolean): void {
    const selection = ports.selection()
    if (!selection) {
      const { bar } = ports.meter().placeAt(Math.min(ports.here(), ports.songLength() - 1))
      return ports.select({ from: startOf(bar), to: startOf(bar + 1) })
    }
    const to = barAfter(selection.to, by)
    const from = atEnd ? selection.from : barAfter(selection.from, by)
    if (to > from && from < ports.songLength()) ports.select({ from, to })
  }

  /** Takes the bars that are meant, and once there are some, goes on to what can be done with them. */
  function enter(): void {
    const offered = ports.offered()
    if (ports.selection()) ports.act()
    else if (offered) ports.select(offered)
    else step(1, false)
  }

  return {
    down(pointer) {
      held = edgeAt(pointer) ?? { kind: 'new', anchor: pointer }
      if (held.kind === 'new') ports.select(span(pointer, pointer))
      return true
    },
    move(pointer) {
      if (held?.kind === 'edge') moveEdge(held.other, pointer)
      else if (held) ports.select(span(held.anchor, pointer))
    },
    up() {
      held = null
    },
    cancel() {
      held = null
    },
    key(event) {
      if (event.ctrlKey || event.metaKey || event.altKey) return false
      const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
      if (by) step(by, event.shiftKey)
      else if (event.key === 'Escape') ports.select(null)
      else if (event.key === 'Enter') enter()
      else return false
      return true
    },
  }
}
