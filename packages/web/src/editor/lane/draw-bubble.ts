import type { Point } from '@rudlo/core/envelope'
import { type Control } from '@rudlo/core/scale'
import { signedText } from '@rudlo/words'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import type { Ink } from './draw-grid'
import { changeInWords } from '../tools/nudge'
import type { Viewport } from './viewport'

/** Which point of a lane something is said of, and how. */
export interface Told {
  readonly index: number
  /** The value that a drag began at; null where nothing is dragged, or the point is new. */
  readonly began: number | null
  /** Whether a finger lies on the point: what is said is larger, and further above it. */
  readonly finger: boolean
}

/** What is said of a point beside it, and where. */
export interface Bubble {
  readonly value: string
  /** How far it was moved, with its sign; empty where it was not. */
  readonly change: string
  /** All of it, line by line. */
  readonly lines: readonly string[]
  /** In px of the lane. */
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
  readonly finger: boolean
}

/** In px: by mouse and by finger. */
const SIZES = {
  mouse: { width: 184, value: 20, text: 14, line: 18, pad: 7, gap: 14 },
  finger: { width: 250, value: 30, text: 17, line: 22, pad: 9, gap: 44 },
}
/** Changes of less are not told, in the control's unit; nor is one from silence. */
const LEAST_CHANGE = 0.05
const SILENT = -90

/** What is said of a point: its value, how far it was moved, and its place; beside it, and inside the lane. */
export function bubbleOf(
  p: Point,
  { began, finger }: Told,
  control: Control,
  meter: MeterMap,
  view: Viewport,
): Bubble {
  const change = began === null || p.value <= SILENT ? 0 : p.value - began
  const words = control.scale.kind === 'level' && p.value > SILENT ? changeInWords(change) : ''
  const lines = [...(words ? [words] : []), placeInWords(meter, p.tick)]
  const { width, value, line, pad, gap } = SIZES[finger ? 'finger' : 'mouse']
  const height = 2 * pad + value + 6 + lines.length * line
  const x = view.x(p.tick)
  const y = view.y(control.scale.toTravel(p.value))
  const above = y - gap - height
  return {
    value: control.unit.format(p.value),
    change: Math.abs(change) >= LEAST_CHANGE ? signedText(change, 1) : '',
    lines,
    left: Math.max(0, Math.min(view.width - width, x - width / 2)),
    top: above >= 2 ? above : Math.max(0, Math.min(view.height - height, y + gap + 6)),
    width,
    height,
    finger,
  }
}

/** Draws what is said of a point. */
export function drawBubble(c: CanvasRenderingContext2D, bubble: Bubble, ink: Ink): void {
  const { left, top, width, height, finger } = bubble
  const { value, text, line, pad } = SIZES[finger ? 'finger' : 'mouse']
  c.fillStyle = ink.desk
  c.globalAlpha = 0.95
  c.beginPath()
  c.roundRect(left, top, width, height, 10)
  c.fill()
  c.globalAlpha = 1
  c.fillStyle = ink.onDesk
  c.textBaseline = 'top'
  c.font = `700 ${value}px ${ink.font}`
  const wide = c.measureText(bubble.value).width
  const small = `${text}px ${ink.font}`
  const room = bubble.change ? 8 : 0
  if (bubble.change) c.font = small
  const more = bubble.change ? c.measureText(bubble.change).width : 0
  const start = left + (width - wide - room - more) / 2
  if (bubble.change) c.fillText(bubble.change, start + wide + room, top + pad + value - text)
  c.font = `700 ${value}px ${ink.font}`
  c.fillText(bubble.value, start, top + pad)
  c.font = small
  c.textAlign = 'center'
  bubble.lines.forEach((each, i) => c.fillText(each, left + width / 2, top + pad + value + 6 + i * line))
  c.textAlign = 'left'
}
