import type { SongTime } from '@rudlo/core/song'
import { shallowRef } from 'vue'
import { insideSong, zoomAbout, type Span } from './viewport'

/** The stretch of the song in view, and the ways to change it. */
export function useSpan(time: () => SongTime | null) {
  const span = shallowRef<Span>({ from: 0, to: 1 })

  const within = (make: (length: number) => Span) => {
    const length = time()?.length
    if (length) span.value = make(length)
  }

  return {
    span,
    /** Zooms by a factor (above 1: closer) about a tick that stays where it is. */
    zoom: (tick: number, factor: number) => within((length) => zoomAbout(span.value, tick, factor, length)),
    scroll: (ticks: number) =>
      within((length) => insideSong({ from: span.value.from + ticks, to: span.value.to + ticks }, length)),
    /** Shows a stretch, as far as it lies in the song. */
    show: (stretch: Span) => within((length) => insideSong(stretch, length)),
    showAll: () => within((length) => ({ from: 0, to: length })),
  }
}
