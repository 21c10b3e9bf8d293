import { changedSpan, compileLine, type Chosen, type Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import type { SongTime } from '@rudlo/core/song'
import { drawBubble, type Bubble } from './draw-bubble'
import type { Ink } from './draw-grid'
import { drawBetween, drawLine, drawPoints, drawSetting } from './draw-line'
import { drawLoudness, drawOvers } from './draw-loudness'
import { GUTTER, type Area, type Stretch, type Viewport } from './viewport'

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
  /** At which end of the lane's foot they stand. */
  readonly wordsAt: 'left' | 'right'
  readonly overs: readonly number[]
  readonly blank: boolean
  /** Two lines between which it is shaded; null where it is not. */
  readonly shaded: readonly [Points, Points] | null
  readonly bubble: Bubble | null
}

/** What of a lane moves with every frame under a hand. */
export interface LiveLine {
  /** The points under the hand; null where they are those of the mix. */
  readonly points: Points | null
  /** Loudness every 100 ms in LUFS, as a soft band under the line; null where it is not known. */
  readonly loudness: Float64Array | null
  /** What is said of a point, before everything else; null for nothing. */
  readonly bubble: Bubble | null
}

/** Room around what changed, in px: a ring around a point, and half of a thick stroke. */
const ROOM = 18
/** The band of loudness is drawn from hop to hop, 10 a second. */
const HOPS_A_SECOND = 10

const WHOLE = 'whole'

/**
 * What is to be drawn again after a change: a few areas, or everything. A hand moves one point at a time: what lies to both
 * sides of its neighbours stays as it is, but for what is said of the point.
 */
export function changedAreas(before: LineFront | null, after: LineFront): readonly Area[] | typeof WHOLE {
  if (!before) return WHOLE
  const { points, loudness, bubble, ...rest } = after
  for (const key of Object.keys(rest) as (keyof typeof rest)[]) if (before[key] !== rest[key]) return WHOLE
  // the dashes of a line that is off begin where it does
  if (!after.on) return WHOLE
  const line = pointsChanged(before.points, points, after)
  const band = loudnessChanged(before.loudness, loudness, after)
  if (line === WHOLE || band === WHOLE) return WHOLE
  const upright = [line, band]
    .filter((stretch) => stretch !== null)
    .map((stretch) => ({ ...stretch, top: 0, bottom: after.view.height }))
  const said = before.bubble === bubble ? [] : [before.bubble, bubble].filter((b) => b !== null).map(areaOf)
  return [upright, said].filter((areas) => areas.length > 0).map(around)
}

/** The area that holds several. */
const around = (areas: readonly Area[]): Area => ({
  left: Math.min(...areas.map((a) => a.left)),
  right: Math.max(...areas.map((a) => a.right)),
  top: Math.min(...areas.map((a) => a.top)),
  bottom: Math.max(...areas.map((a) => a.bottom)),
})

const areaOf = ({ left, top, width, height }: Bubble): Area => ({
  left: left - 1,
  right: left + width + 1,
  top: top - 1,
  bottom: top + height + 1,
})

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
  const changed = changedAreas(before, now)
  const { width, height } = now.view
  if (changed === WHOLE) {
    c.clearRect(0, 0, width, height)
    return draw(c, now, now.view)
  }
  for (const area of changed) {
    // whole pixels: a seam would show otherwise
    const left = Math.max(0, Math.floor(area.left * ratio) / ratio)
    const right = Math.min(width, Math.ceil(area.right * ratio) / ratio)
    const top = Math.max(0, Math.floor(area.top * ratio) / ratio)
    const bottom = Math.min(height, Math.ceil(area.bottom * ratio) / ratio)
    if (right <= left || bottom <= top) continue
    c.save()
    c.beginPath()
    c.rect(left, top, right - left, bottom - top)
    c.clip()
    c.clearRect(left, top, right - left, bottom - top)
    const room = {
      left: Math.max(0, left - ROOM),
      right: Math.min(width, right + ROOM),
      top: top - ROOM,
      bottom: bottom + ROOM,
    }
    draw(c, now, now.view.within(room))
    c.restore()
  }
}

function draw(c: CanvasRenderingContext2D, now: LineFront, view: Viewport): void {
  drawLineIn(c, now, view)
  if (now.bubble) drawBubble(c, now.bubble, now.ink)
}

function drawLineIn(c: CanvasRenderingContext2D, now: LineFront, view: Viewport): void {
  const { control, ink, points } = now
  const { scale } = control
  c.save()
  c.beginPath()
  c.rect(0, 0, view.width - GUTTER + 8, view.height)
  c.clip()
  if (now.loudness) drawLoudness(c, view, now.loudness, now.time, ink.line, ink, now.whose, now.wordsAt)
  drawOvers(c, view, now.overs, ink)
  if (now.blank) return c.restore()
  if (now.shaded) drawBetween(c, view, now.shaded, scale, ink.warm)
  if (!points.length || !now.on) drawSetting(c, view, scale.toTravel(now.setting), ink.line)
  drawLine(c, view, points, scale, ink.line, !now.on)
  c.restore()
  drawPoints(c, view, points, scale, ink, now.selected, now.chosen)
}
