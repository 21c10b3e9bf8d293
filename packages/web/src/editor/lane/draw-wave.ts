import type { Overview } from '@rudlo/core/exchange'
import type { Region } from '@rudlo/core/mix'
import type { SongTime } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import type { Viewport } from './viewport'

/** The waveform of a track's regions, behind everything else, scaled so that its loudest place fills the lane. */
export function drawWave(
  c: CanvasRenderingContext2D,
  view: Viewport,
  regions: readonly Region[],
  overviews: ReadonlyMap<string, Overview>,
  time: SongTime,
  colour: string,
): void {
  const loudest = Math.max(1, ...regions.map((r) => peakOf(overviews.get(r.asset))))
  const middle = view.height / 2
  const unit = (middle - 14) / loudest
  c.fillStyle = colour
  c.beginPath()
  for (const region of regions) {
    const overview = overviews.get(region.asset)
    if (overview) trace(c, view, region, overview, time, middle, unit)
  }
  c.fill()
}

const peaks = new WeakMap<Overview, number>()

function peakOf(overview: Overview | undefined): number {
  if (!overview) return 1
  let peak = peaks.get(overview)
  if (peak === undefined) {
    peak = 1
    for (const v of overview.zooms.at(-1)!) peak = Math.max(peak, Math.abs(v))
    peaks.set(overview, peak)
  }
  return peak
}

function trace(
  c: CanvasRenderingContext2D,
  view: Viewport,
  region: Region,
  overview: Overview,
  time: SongTime,
  middle: number,
  unit: number,
): void {
  const start = time.tempo.secondsAt(region.start)
  const sampleAt = (x: number) => (time.tempo.secondsAt(view.tick(x)) - start) * SAMPLE_RATE + region.offset
  const left = Math.max(0, Math.floor(view.x(region.start)))
  const right = Math.min(
    view.width,
    Math.ceil(view.x(time.tempo.tickAt(start + region.length / SAMPLE_RATE))),
  )
  if (right <= left) return
  const perPixel = (sampleAt(right) - sampleAt(left)) / (right - left)
  let zoom = 0
  while (zoom + 1 < overview.zooms.length && overview.step * 2 ** (zoom + 1) <= perPixel) zoom++
  const step = overview.step * 2 ** zoom
  const pairs = overview.zooms[zoom]!
  for (let x = left; x < right; x++) {
    const from = Math.max(0, Math.floor(sampleAt(x) / step))
    const to = Math.max(from + 1, Math.floor(sampleAt(x + 1) / step))
    let low = 0
    let high = 0
    for (let i = from; i < to && 2 * i + 1 < pairs.length; i++) {
      low = Math.min(low, pairs[2 * i]!)
      high = Math.max(high, pairs[2 * i + 1]!)
    }
    c.rect(x, middle - high * unit, 1, Math.max(1, (high - low) * unit))
  }
}
