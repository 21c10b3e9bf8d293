import type { SongVersion, SongTime } from '@rudlo/core/song'
import type { Scale, Unit } from '@rudlo/core/scale'
import type { Kin } from './lane-sign'
import { GUTTER, type Viewport } from './viewport'

/** Colours of a drawing, from the theme. */
export interface Ink {
  readonly rule: string
  readonly soft: string
  readonly wash: string
  readonly wave: string
  readonly sheet: string
  readonly ink: string
  readonly line: string
  /** Which lane of its family it is: its points have heads of their own. */
  readonly kin: Kin
  readonly warm: string
  readonly desk: string
  readonly onDesk: string
  readonly font: string
}

/** Least px between bar lines and between bar numbers. */
const BAR_GAP = 7
const NUMBER_GAP = 44
/** Least px between the values that are marked. */
const MARK_GAP = 13

/** Sections as soft bands, bar and beat lines, bar numbers. */
export function drawGrid(
  c: CanvasRenderingContext2D,
  view: Viewport,
  song: SongVersion,
  time: SongTime,
  ink: Ink,
) {
  const { meter, length } = time
  song.sections.forEach((section, i) => {
    if (i % 2) return
    const end = song.sections[i + 1]?.tick ?? length
    c.fillStyle = ink.wash
    c.globalAlpha = 0.35
    c.fillRect(view.x(section.tick), 0, view.x(end) - view.x(section.tick), view.height)
    c.globalAlpha = 1
  })
  const from = meter.placeAt(Math.max(0, view.shown.from)).bar
  const barWidth = view.x(meter.barStart(from + 1)) - view.x(meter.barStart(from))
  const everyBar = barWidth >= BAR_GAP ? 1 : 4
  const everyNumber = [1, 2, 4, 8, 16].find((n) => n * barWidth >= NUMBER_GAP) ?? 32
  c.font = `12px ${ink.font}`
  c.textBaseline = 'top'
  for (let bar = from; ; bar++) {
    const tick = meter.barStart(bar)
    if (tick > Math.min(view.shown.to, length)) break
    const x = Math.round(view.x(tick)) + 0.5
    if ((bar - 1) % everyBar === 0) {
      vertical(c, x, view.height, ink.rule, song.sections.some((s) => s.tick === tick) ? 1 : 0.6)
    }
    if (tick < length && (bar - 1) % everyNumber === 0) {
      c.fillStyle = ink.soft
      c.fillText(String(bar), x + 4, 3)
    }
    const beats = meter.lengthsAt(tick).beat
    const beatWidth = view.x(tick + beats) - view.x(tick)
    if (beatWidth < 14) continue
    for (let at = tick + beats; at < meter.barStart(bar + 1); at += beats) {
      vertical(c, Math.round(view.x(at)) + 0.5, view.height, ink.rule, 0.35)
    }
  }
}

function vertical(
  c: CanvasRenderingContext2D,
  x: number,
  height: number,
  colour: string,
  alpha: number,
): void {
  c.globalAlpha = alpha
  c.strokeStyle = colour
  c.lineWidth = 1
  c.beginPath()
  c.moveTo(x, 0)
  c.lineTo(x, height)
  c.stroke()
  c.globalAlpha = 1
}

/** Levels worth a line: the values a beginner meets. */
const LEVELS = [6, 0, -6, -12, -24, -48, -90]

/** The values that are marked on a lane: for levels the usual ones, for switches both, else quarters of the travel. */
export function valueMarks(scale: Scale): readonly number[] {
  if (scale.kind === 'level') return LEVELS
  return (scale.kind === 'switch' ? [0, 1] : [0, 0.25, 0.5, 0.75, 1]).map((travel) => scale.toValue(travel))
}

/** Horizontal lines with their values, for level lanes. */
export function drawLevels(
  c: CanvasRenderingContext2D,
  view: Viewport,
  scale: Scale,
  unit: Unit,
  ink: Ink,
): void {
  c.fillStyle = ink.sheet
  c.fillRect(view.width - GUTTER + 4, 0, GUTTER, view.height)
  c.font = `12px ${ink.font}`
  c.textBaseline = 'bottom'
  let last = -Infinity
  for (const value of valueMarks(scale)) {
    const y = Math.round(view.y(scale.toTravel(value))) + 0.5
    // a low lane has room for a few of them
    if (y < 0 || y > view.height || Math.abs(y - last) < MARK_GAP) continue
    last = y
    const strong = value === 0 && scale.kind !== 'switch'
    c.strokeStyle = ink.rule
    c.lineWidth = 1
    c.setLineDash(strong ? [] : [2, 5])
    c.globalAlpha = strong ? 1 : 0.9
    c.beginPath()
    c.moveTo(0, y)
    c.lineTo(view.width - GUTTER, y)
    c.stroke()
    c.setLineDash([])
    c.globalAlpha = 1
    const text = unit.format(value).replace('.0', '')
    c.fillStyle = ink.soft
    c.textAlign = 'right'
    c.textBaseline = 'middle'
    c.fillText(text, view.width - 8, y)
    c.textAlign = 'left'
  }
}
