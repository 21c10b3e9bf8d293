import type { SongTime } from '@rudlo/core/song'

/** Loudness that touches the floor of the strip, and that which fills it up to the names, in LUFS. */
const SOFTEST = -50
const LOUDEST = -8
/** Share of the strip's height that the loudness may take. */
const SHARE = 0.62

/** An SVG path of the loudness over the song; empty while it is not known. One value every 100 ms. */
export function loudnessPath(
  momentary: ArrayLike<number | null> | null,
  { tempo, length }: SongTime,
  width: number,
  height: number,
): string {
  if (!momentary?.length || width <= 0) return ''
  const parts: string[] = []
  let lastX = -2
  for (let n = 0; n < momentary.length; n++) {
    // an entry covers the 400 ms before its end: its middle is where it belongs
    const x = (tempo.tickAt(Math.max(0, (n + 1) / 10 - 0.2)) / length) * width
    if (x - lastX < 1.5) continue
    lastX = x
    const share = ((momentary[n] ?? SOFTEST) - SOFTEST) / (LOUDEST - SOFTEST)
    const y = height - Math.min(1, Math.max(0, Number.isFinite(share) ? share : 0)) * height * SHARE
    parts.push(`${Math.min(width, x).toFixed(1)} ${y.toFixed(1)}`)
  }
  return `M0 ${height}L${parts.join('L')}L${Math.min(width, lastX).toFixed(1)} ${height}Z`
}

/** The whole bars around a stretch drawn in either direction; at least one. */
export function barsAround({ meter, length }: SongTime, a: number, b: number): { from: number; to: number } {
  const first = meter.placeAt(Math.min(a, b)).bar
  const last = meter.placeAt(Math.min(length - 1, Math.max(a, b))).bar
  return { from: meter.barStart(first), to: Math.min(length, meter.barStart(last + 1)) }
}
