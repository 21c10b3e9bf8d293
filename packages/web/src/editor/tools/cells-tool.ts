import { holdSpan, releaseSpan, valueAt, type Points } from '@rudlo/core/envelope'
import { shallowRef, type ShallowRef } from 'vue'
import type { LanePlace, LanePointer, LaneTool } from '../surface/lane-pointer'
import type { DrawingPorts } from './drawing'
import { nudged, tidied } from './nudge'

/** Start and end of a cell, in ticks. */
export type Cell = readonly [from: number, to: number]

export interface CellsPorts extends DrawingPorts {
  /** The cell that a tick lies in. */
  cell(tick: number): Cell
}

interface Stroke {
  readonly base: Points
  /** By their starts: to where, and with which value; null clears. */
  readonly cells: Map<number, readonly [to: number, value: number | null]>
  /** What the stroke makes of a switch. */
  readonly on: boolean
  readonly clears: boolean
}

/**
 * Every cell of the grid takes one value. With Ctrl, or by a finger that is held still first, cells are cleared. Arrows go from
 * cell to cell and give them a value.
 */
export function cellsTool(ports: CellsPorts): LaneTool & {
  /** The cell under the hand, or that keys work on. */
  readonly at: Readonly<ShallowRef<Cell | null>>
} {
  const at = shallowRef<Cell | null>(null)
  /** What is drawn just now; null while nothing is held. */
  let stroke: Stroke | null = null
  const inside = (tick: number) => Math.min(ports.songLength() - 1, Math.max(0, tick))
  const isSwitch = () => ports.control().scale.kind === 'switch'

  function lineOf({ base, cells }: Stroke): Points {
    const { scale } = ports.control()
    return [...cells]
      .sort(([a], [b]) => a - b)
      .reduce(
        (line, [from, [to, v]]) =>
          v === null ? releaseSpan(line, scale, { from, to }) : holdSpan(line, scale, { from, to }, v),
        base,
      )
  }

  function mark({ tick, travel }: Pick<LanePlace, 'tick' | 'travel'>): void {
    const cell = ports.cell(inside(tick))
    at.value = cell
    if (!stroke) return
    const { scale } = ports.control()
    const value = isSwitch() ? Number(stroke.on) : tidied(scale.kind, scale.toValue(travel))
    stroke.cells.set(cell[0], [Math.min(ports.songLength(), cell[1]), stroke.clears ? null : value])
  }

  /** Where the hand was last: a quick one leaves no cell out on its way. */
  let last: LanePlace | null = null

  /** Marks every cell on the way to a place, each with the value that the hand has there. */
  function markOn(to: LanePlace): void {
    const from = stroke && last ? last : to
    const [start, end] = [ports.cell(inside(from.tick))[0], ports.cell(inside(to.tick))[0]]
    const ahead = end > start
    for (
      let [low, high] = ports.cell(start);
      ahead ? low < end : low > end;
      [low, high] = ports.cell(ahead ? high : low - 1)
    ) {
      const middle = (low + high) / 2
      const share = Math.min(1, Math.max(0, (middle - from.tick) / (to.tick - from.tick)))
      mark({ tick: middle, travel: from.travel + share * (to.travel - from.travel) })
    }
    mark(to)
    last = to
  }

  function draw({ trail }: Pick<LanePointer, 'trail'>): void {
    trail.forEach(markOn)
    if (stroke) ports.preview(lineOf(stroke))
  }

  /** One edit of one cell, as one step. */
  function set(line: Points, [from, to]: Cell): void {
    ports.begin()
    ports.preview(line)
    ports.commit(from, to, 1)
  }

  return {
    at,
    down(pointer) {
      const points = ports.points()
      // of a switch the first cell says what the stroke does: it turns each cell over
      const on = valueAt(points, ports.control().scale, ports.cell(inside(pointer.tick))[0]) < 0.5
      stroke = { base: points, cells: new Map(), on, clears: pointer.ctrl }
      last = null
      ports.begin()
      draw({ trail: [pointer] })
      return true
    },
    move: draw,
    hover: draw,
    hold(pointer) {
      if (!stroke) return
      stroke = { ...stroke, clears: true }
      draw({ trail: [pointer] })
    },
    up() {
      if (!stroke) return
      const cells = [...stroke.cells]
      stroke = null
      ports.commit(
        Math.min(...cells.map(([from]) => from)),
        Math.max(...cells.map(([, [to]]) => to)),
        cells.length,
      )
    },
    cancel() {
      if (!stroke) return
      stroke = null
      ports.cancel()
    },
    leave() {
      at.value = null
    },
    key(event) {
      if (event.ctrlKey || event.metaKey || event.altKey) return false
      const [points, control, end] = [ports.points(), ports.control(), ports.songLength()]
      const { scale } = control
      const cell = at.value ?? ports.cell(inside(ports.here()))
      const span = { from: cell[0], to: Math.min(end, cell[1]) }
      const value = valueAt(points, scale, cell[0])
      const up = ({ ArrowUp: 1, ArrowDown: -1 } as const)[event.key as 'ArrowUp' | 'ArrowDown']
      if (event.key === 'ArrowRight') at.value = cell[1] < end ? ports.cell(cell[1]) : cell
      else if (event.key === 'ArrowLeft') at.value = ports.cell(Math.max(0, cell[0] - 1))
      else if (up) set(holdSpan(points, scale, span, nudged(control, value, up, event.shiftKey)), cell)
      else if (event.key === 'Enter') set(holdSpan(points, scale, span, isSwitch() ? 1 - value : value), cell)
      else if (event.key === 'Delete' || event.key === 'Backspace')
        set(releaseSpan(points, scale, span), cell)
      else return false
      at.value ??= cell
      return true
    },
  }
}
