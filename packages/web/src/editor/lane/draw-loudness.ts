import type { SongTime } from '@rudlo/core/song'
import type { Ink } from './draw-grid'
import { GUTTER, type Viewport } from './viewport'
import { t } from '../../words/t'

/** LUFS at the foot and at the top of the band. */
const FOOT = -60
const TOP = 0
/** The band takes this share of the lane's height, from its foot up. */
const SHARE = 0.5
const HOPS_A_SECOND = 10
/** Room for the words at its foot, in px from the left or the right end. */
export const WORDS = { from: 20, to: 220 }

/** Loudness every 100 ms as a soft band at the foot of the lane, and whose it is in words at one of its ends. */
export function drawLoudness(
  c: CanvasRenderingContext2D,
  view: Viewport,
  loudness: Float64Array,
  time: SongTime,
  colour: string,
  ink: Ink,
  whose: string,
  wordsAt: 'left' | 'right',
): void {
  const foot = view.height
  if (view.rows.bottom < foot * (1 - SHARE)) return
  const heightOf = (lufs: number) =>
    Math.max(0, Math.min(1, (lufs - FOOT) / (TOP - FOOT))) * view.height * SHARE
  const hopAt = (tick: number) => time.tempo.secondsAt(Math.max(0, tick)) * HOPS_A_SECOND
  const { shown, part } = view
  // no more places than there are px, and the same whatever part is drawn
  const step = Math.max(1, Math.floor((hopAt(shown.to) - hopAt(shown.from)) / Math.max(1, view.width)))
  const first = Math.floor(hopAt(part.from) / step) * step
  const last = Math.min(loudness.length - 1, Math.ceil(hopAt(part.to) / step) * step)
  if (last <= first) return
  const xOf = (hop: number) => view.x(time.tempo.tickAt(hop / HOPS_A_SECOND))
  c.beginPath()
  c.moveTo(xOf(first), foot)
  for (let hop = first; hop <= last; hop += step) c.lineTo(xOf(hop), foot - heightOf(loudness[hop]!))
  c.lineTo(xOf(last), foot)
  c.closePath()
  c.fillStyle = colour
  c.globalAlpha = 0.13
  c.fill()
  c.globalAlpha = 0.45
  c.strokeStyle = colour
  c.lineWidth = 1
  c.stroke()
  c.globalAlpha = 1
  if (view.height < 120) return
  const end = view.width - GUTTER
  const [left, right] = wordsAt === 'left' ? [WORDS.from, WORDS.to] : [end - WORDS.to, end - WORDS.from]
  if (view.x(part.from) > right || view.x(part.to) < left) return
  c.fillStyle = ink.soft
  c.font = `12px ${ink.font}`
  c.textBaseline = 'bottom'
  c.textAlign = wordsAt
  c.fillText(t('line.loudness', { whose }), wordsAt === 'left' ? left : right, foot - 4)
  c.textAlign = 'left'
}

/** Marks where the mix is too hot. */
export function drawOvers(
  c: CanvasRenderingContext2D,
  view: Viewport,
  ticks: readonly number[],
  ink: Ink,
): void {
  c.fillStyle = ink.warm
  for (const tick of ticks) {
    const x = view.x(tick)
    if (x < 0 || x > view.width) continue
    c.globalAlpha = 0.16
    c.fillRect(x - 3, 0, 6, view.height)
    c.globalAlpha = 1
    c.beginPath()
    c.moveTo(x - 7, view.height)
    c.lineTo(x + 7, view.height)
    c.lineTo(x, view.height - 12)
    c.fill()
  }
}
