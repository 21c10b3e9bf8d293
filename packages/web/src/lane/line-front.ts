import { changedSpan, compileLine, type Chosen, type Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import type { SongTime } from '@rudlo/core/song'
import type { Ink } from './draw-grid'
import { drawBetween, drawLine, drawPoints, drawSetting } from './draw-line'
import { drawLoudness, drawOvers } from './draw-loudness'
import { GUTTER, type Stretch, type Viewport } from './viewport'

/** What lies before the grid, the waveform and the faint lines of a lane: it changes with every move of a hand. */
export interface LineFront {
  readonly view: Viewport
  readonly time: SongTime
  readonly control: Control
  readonly ink: Ink
  readonly points: Points
  /** Whether the line is in charge. */
  readonly on: boolean
  readonly setting: number
  readonly selected: number
  readonly chosen: Chosen
  readonly loudness: Float64Array | null
  /** Whose loudness that is, in words. */
  readonly whose: string
  readonly overs: readonly number[]
  readonly blank: boolean
  /** Two lines between which it is shaded; null where it is not. */
  readonly shaded: readonly [Points, Points] | null
}

/** Room around what changed, in px: a ring around a point, and half of a thick stroke. */
const ROOM = 18
/** The band of loudness is drawn from hop to hop, 10 a second. */
const HOPS_A_SECOND = 10

const WHOLE = 'whole'

/**
 * What of the width is to be drawn again after a change: a stretch in px, everything, or nothing (null). A hand moves one
 * point at a time: what lies to both sides of its neighbours stays as it is.
 */
export function changedStretch(before: LineFront | null, after: LineFront): Stretch | typeof WHOLE | null {
  if (!before) return WHOLE
  const { points, loudness, ...rest } = after
  for (const key of Object.keys(rest) as (keyof typeof rest)[]) if (before[key] !== rest[key]) return WHOLE
  // the dashes of a line that is off begin where it does
  if (!after.on) return WHOLE
  const line = pointsChanged(before.points, points, after)
  const band = loudnessChanged(before.loudness, loudness, after)
  if (line === WHOLE || band === WHOLE) return WHOLE
  if (!line || !band) return line ?? band
  return { left: Math.min(line.left, band.left), right: Math.max(line.right, band.right) }
}

function pointsChanged(
  before: Points,
  after: Points,
  { view, control }: LineFront,
): Stretch | typeof WHOLE | null {
  if (before === after) return null
  if (!before.length || !after.length) return WHOLE
  const span = changedSpan(compileLine(before, control.scale), compileLine(after, control.scale))
  return span && { left: view.x(span.from) - ROOM, right: view.x(span.to) + ROOM }
}

function loudnessChanged(
  before: Float64Array | null,
  after: Float64Array | null,
  { view, time }: LineFront,
): Stretch | typeof WHOLE | null {
  if (before === after) return null
  if (!before || !after || before.length !== after.length) return WHOLE
  let first = 0
  let last = after.length - 1
  while (first <= last && before[first] === after[first]) first++
  while (last > first && before[last] === after[last]) last--
  if (first > last) return null
  const x = (hop: number) => view.x(time.tempo.tickAt(hop / HOPS_A_SECOND))
  // a band of many hops a px goes from one of them to the next
  const skipped = after.length / Math.max(1, view.width)
  return { left: x(first - 1 - skipped) - 2, right: x(last + 1 + skipped) + 2 }
}

/** Draws what changed since `before`: null for everything. `ratio`: pixels of the screen in a px. */
export function drawFront(
  c: CanvasRenderingContext2D,
  now: LineFront,
  before: LineFront | null,
  ratio: number,
): void {
  const changed = changedStretch(before, now)
  if (!changed) return
  const { width, height } = now.view
  if (changed === WHOLE) {
    c.clearRect(0, 0, width, height)
    return draw(c, now, now.view)
  }
  // whole pixels: a seam would show otherwise
  const left = Math.max(0, Math.floor(changed.left * ratio) / ratio)
  const right = Math.min(width, Math.ceil(changed.right * ratio) / ratio)
  if (right <= left) return
  c.save()
  c.beginPath()
  c.rect(left, 0, right - left, height)
  c.clip()
  c.clearRect(left, 0, right - left, height)
  draw(c, now, now.view.within({ left: Math.max(0, left - ROOM), right: Math.min(width, right + ROOM) }))
  c.restore()
}

function draw(c: CanvasRenderingContext2D, now: LineFront, view: Viewport): void {
  const { control, ink, points } = now
  const { scale } = control
  c.save()
  c.beginPath()
  c.rect(0, 0, view.width - GUTTER + 8, view.height)
  c.clip()
  if (now.loudness) drawLoudness(c, view, now.loudness, now.time, ink.line, ink, now.whose)
  drawOvers(c, view, now.overs, ink)
  if (now.blank) return c.restore()
  if (now.shaded) drawBetween(c, view, now.shaded, scale, ink.warm)
  if (!points.length || !now.on) drawSetting(c, view, scale.toTravel(now.setting), ink.line)
  drawLine(c, view, points, scale, ink.line, !now.on)
  c.restore()
  drawPoints(c, view, points, scale, ink.line, ink.sheet, now.selected, now.chosen)
}
