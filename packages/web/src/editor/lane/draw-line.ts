import { compileLine, indexAt, LineCursor, type Chosen, type Points } from '@rudlo/core/envelope'
import type { Scale } from '@rudlo/core/scale'
import type { Ink } from './draw-grid'
import { addHead } from './lane-sign'
import type { Viewport } from './viewport'

/** Points are drawn small where there is less than so many px for each. */
const CROWDED = 14

/** Traces a line across the view: straight spans in one stroke, bent ones every 3 px, jumps upright. */
function trace(c: CanvasRenderingContext2D, view: Viewport, points: Points, scale: Scale): void {
  const line = compileLine(points, scale)
  const cursor = new LineCursor(line)
  const y = (tick: number) => view.y(cursor.travelAt(tick))
  const { from, to } = view.part
  const first = Math.max(0, cursor.seek(from))
  c.beginPath()
  c.moveTo(view.x(from), y(from))
  for (let i = first; i < points.length; i++) {
    const p = points[i]!
    if (p.tick > to) break
    if (p.tick >= from) {
      if (cursor.jumpsTo(i)) c.lineTo(view.x(p.tick), view.y(line.travels[i - 1]!))
      c.lineTo(view.x(p.tick), view.y(line.travels[i]!))
    }
    const next = points[i + 1]
    if (!next || (p.form !== 'curve' && p.form !== 's')) continue
    const end = Math.min(view.x(to), view.x(next.tick))
    // the same places whatever part is drawn, so that parts fit together
    const start = Math.max(0, view.x(p.tick))
    const passed = Math.max(0, Math.floor((view.x(from) - start) / 3))
    for (let x = start + 3 * passed; x < end; x += 3) c.lineTo(x, y(view.tick(x)))
  }
  c.lineTo(view.x(to), y(to))
}

/** A line in charge: a thick stroke in the family's colour. `off`: thin and dashed. */
export function drawLine(
  c: CanvasRenderingContext2D,
  view: Viewport,
  points: Points,
  scale: Scale,
  colour: string,
  off = false,
) {
  if (!points.length) return
  trace(c, view, points, scale)
  c.strokeStyle = colour
  c.lineWidth = off ? 1.5 : 2.75
  // round corners cost much where there are hundreds of them, and are not seen
  c.lineJoin = points.length > 300 ? 'bevel' : 'round'
  c.setLineDash(off ? [6, 5] : [])
  c.stroke()
  c.setLineDash([])
}

/** A faint line: for comparison only. */
export function drawFaintLine(
  c: CanvasRenderingContext2D,
  view: Viewport,
  points: Points,
  scale: Scale,
  colour: string,
) {
  if (!points.length) return
  trace(c, view, points, scale)
  c.strokeStyle = colour
  c.lineWidth = 1.75
  c.setLineDash([2, 4])
  c.stroke()
  c.setLineDash([])
}

/** A line among many. */
export function drawThinLine(
  c: CanvasRenderingContext2D,
  view: Viewport,
  points: Points,
  scale: Scale,
  colour: string,
): void {
  if (!points.length) return
  trace(c, view, points, scale)
  c.strokeStyle = colour
  c.lineWidth = 1
  c.globalAlpha = 0.7
  c.stroke()
  c.globalAlpha = 1
}

/** Shades what lies between two lines: where they differ, and by how much. */
export function drawBetween(
  c: CanvasRenderingContext2D,
  view: Viewport,
  [one, two]: readonly [Points, Points],
  scale: Scale,
  colour: string,
): void {
  if (!one.length || !two.length) return
  const cursors = [one, two].map((points) => new LineCursor(compileLine(points, scale)))
  const y = (k: 0 | 1, x: number) => view.y(cursors[k]!.travelAt(Math.max(0, view.tick(x))))
  c.beginPath()
  for (let x = 0; x <= view.width; x += 2) c.lineTo(x, y(0, x))
  for (let x = view.width; x >= 0; x -= 2) c.lineTo(x, y(1, x))
  c.globalAlpha = 0.2
  c.fillStyle = colour
  c.fill()
  c.globalAlpha = 1
}

/** The setting of a control without a line. */
export function drawSetting(
  c: CanvasRenderingContext2D,
  view: Viewport,
  travel: number,
  colour: string,
): void {
  const y = Math.round(view.y(travel)) + 0.5
  c.strokeStyle = colour
  c.lineWidth = 1.75
  c.setLineDash([9, 6])
  c.beginPath()
  c.moveTo(0, y)
  c.lineTo(view.width, y)
  c.stroke()
  c.setLineDash([])
}

/** Points as heads, of notes on the first lane of a family: filled where the line runs on, hollow where it jumps. Many are small. */
export function drawPoints(
  c: CanvasRenderingContext2D,
  view: Viewport,
  points: Points,
  scale: Scale,
  ink: Pick<Ink, 'line' | 'sheet' | 'kin'>,
  selected: number,
  chosen: Chosen,
): void {
  const { line: colour, sheet: paper } = ink
  const { shown } = view
  const crowded = indexAt(points, shown.to) - indexAt(points, shown.from) > view.width / CROWDED
  const { from, to } = view.part
  const { top, bottom } = view.rows
  const first = Math.max(0, indexAt(points, from))
  const last = Math.min(points.length - 1, indexAt(points, to) + 1)
  const { travels } = compileLine(points, scale)
  const [wide, high] = crowded ? [6, 5] : [7.5, 5.4]
  const [filled, hollow, ringed] = [new Path2D(), new Path2D(), new Path2D()]
  for (let i = first; i <= last; i++) {
    const p = points[i]!
    const x = view.x(p.tick)
    const y = view.y(travels[i]!)
    if (p.tick < from || p.tick > to || y < top - 20 || y > bottom + 20) continue
    const heads = p.form === 'jump' ? hollow : filled
    if (crowded) heads.rect(x - wide / 2, y - high / 2, wide, high)
    else addHead(heads, ink.kin, x, y, wide, high)
    if (i !== selected && !chosen.has(i)) continue
    ringed.moveTo(x + 13, y)
    ringed.arc(x, y, 13, 0, 2 * Math.PI)
  }
  c.strokeStyle = colour
  c.lineWidth = 2
  c.stroke(ringed)
  c.fillStyle = colour
  c.fill(filled, 'nonzero')
  if (!crowded) {
    c.strokeStyle = paper
    c.lineWidth = 1
    c.stroke(filled)
  }
  c.fillStyle = paper
  c.fill(hollow)
  c.strokeStyle = colour
  c.lineWidth = 2.25
  c.stroke(hollow)
}
