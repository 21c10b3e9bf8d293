import { compileLine, indexAt, LineCursor, type Chosen, type Points } from '@rudlo/core/envelope'
import type { Scale } from '@rudlo/core/scale'
import type { Viewport } from './viewport'

/** Points are drawn small where there is less than so many px for each. */
const CROWDED = 14

/** Traces a line across the view: straight spans in one stroke, bent ones every 3 px, jumps upright. */
function trace(c: CanvasRenderingContext2D, view: Viewport, points: Points, scale: Scale): void {
  const cursor = new LineCursor(compileLine(points, scale))
  const y = (tick: number) => view.y(cursor.travelAt(tick))
  const { from, to } = view.shown
  const first = Math.max(0, cursor.seek(from))
  c.beginPath()
  c.moveTo(0, y(from))
  for (let i = first; i < points.length; i++) {
    const p = points[i]!
    if (p.tick > to) break
    if (p.tick >= from) {
      if (cursor.jumpsTo(i)) c.lineTo(view.x(p.tick), view.y(scale.toTravel(points[i - 1]!.value)))
      c.lineTo(view.x(p.tick), view.y(scale.toTravel(p.value)))
    }
    const next = points[i + 1]
    if (!next || (p.form !== 'curve' && p.form !== 's')) continue
    const end = Math.min(view.width, view.x(next.tick))
    for (let x = Math.max(0, view.x(p.tick)); x < end; x += 3) c.lineTo(x, y(view.tick(x)))
  }
  c.lineTo(view.width, y(to))
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
  c.lineJoin = 'round'
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

/** Points as note heads: filled where the line runs on, hollow where it jumps. */
export function drawPoints(
  c: CanvasRenderingContext2D,
  view: Viewport,
  points: Points,
  scale: Scale,
  colour: string,
  paper: string,
  selected: number,
  chosen: Chosen,
): void {
  const { from, to } = view.shown
  const first = Math.max(0, indexAt(points, from))
  const last = Math.min(points.length - 1, indexAt(points, to) + 1)
  const crowded = last - first > view.width / CROWDED
  for (let i = first; i <= last; i++) {
    const p = points[i]!
    if (p.tick < from || p.tick > to) continue
    const x = view.x(p.tick)
    const y = view.y(scale.toTravel(p.value))
    if (y < -20 || y > view.height + 20) continue
    if (i === selected || chosen.has(i)) {
      c.beginPath()
      c.arc(x, y, 13, 0, 2 * Math.PI)
      c.strokeStyle = colour
      c.lineWidth = 2
      c.stroke()
    }
    c.beginPath()
    c.ellipse(x, y, crowded ? 4 : 7.5, crowded ? 3 : 5.4, -0.35, 0, 2 * Math.PI)
    const hollow = p.form === 'jump'
    c.fillStyle = hollow ? paper : colour
    c.fill()
    c.strokeStyle = hollow ? colour : paper
    c.lineWidth = hollow ? 2.25 : 1
    c.stroke()
  }
}
