import { HOPS } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import type { Shown } from './picture'

/** The tick at which a hop begins; with a half, its middle. */
export const tickOfHop = (time: SongTime, hop: number): number => time.tempo.tickAt(hop / HOPS)

/** The hop that a tick lies in. */
export const hopAt = (time: SongTime, tick: number): number => Math.floor(time.tempo.secondsAt(tick) * HOPS)

/** The whole bars that some hops lie in, as far as the song goes. */
export function barsOfHops(time: SongTime, first: number, count: number): Shown {
  const { meter, length } = time
  const [from, to] = [first, first + count].map((hop) => Math.round(tickOfHop(time, hop))) as [number, number]
  const { bar } = meter.placeAt(Math.max(0, Math.min(length, to) - 1))
  return {
    from: meter.barStart(meter.placeAt(Math.max(0, from)).bar),
    to: Math.min(length, meter.barStart(bar + 1)),
  }
}
