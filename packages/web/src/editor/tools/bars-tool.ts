import type { LineSpan } from '@rudlo/core/envelope'
import type { MeterMap } from '@rudlo/core/time'
import type { LaneTool } from '../surface/lane-pointer'

/** What the tool of bars knows and does. Places are ticks. */
export interface BarsPorts {
  meter(): MeterMap
  songLength(): number
  /** Where a place ends up that is set by hand. */
  snap(tick: number, free: boolean): number
  selection(): LineSpan | null
  /** The play position: keys begin there. */
  here(): number
  select(span: LineSpan | null): void
}

/** Selects bars: a drag over them, a press for the one that is pressed, arrows from bar to bar. */
export function barsTool(ports: BarsPorts): LaneTool {
  /** Where the drag began; null while nothing is held. */
  let anchor: number | null = null
  const inside = (tick: number) => Math.min(ports.songLength(), Math.max(0, tick))

  function span(a: number, b: number, free: boolean): LineSpan {
    const from = ports.snap(Math.min(a, b), free)
    const to = ports.snap(Math.max(a, b), free)
    if (to > from) return { from, to }
    const meter = ports.meter()
    const { bar } = meter.placeAt(from)
    return { from: meter.barStart(bar), to: Math.min(ports.songLength(), meter.barStart(bar + 1)) }
  }

  /** So many bars after a tick, from bar line to bar line. */
  function barAfter(tick: number, by: number): number {
    const { bar } = ports.meter().placeAt(tick)
    return Math.min(ports.songLength(), ports.meter().barStart(Math.max(1, bar + by)))
  }

  /** One bar further or back; longer or shorter at the end. */
  function step(by: number, atEnd: boolean): void {
    const selection = ports.selection()
    if (!selection) {
      const here = Math.min(ports.here(), ports.songLength() - 1)
      return ports.select(span(here, here, true))
    }
    const to = barAfter(selection.to, by)
    const from = atEnd ? selection.from : barAfter(selection.from, by)
    if (to > from && from < ports.songLength()) ports.select({ from, to })
  }

  return {
    down({ tick, alt }) {
      anchor = inside(tick)
      ports.select(span(anchor, anchor, alt))
      return true
    },
    move({ tick, alt }) {
      if (anchor !== null) ports.select(span(anchor, inside(tick), alt))
    },
    up() {
      anchor = null
    },
    cancel() {
      anchor = null
    },
    key(event) {
      if (event.ctrlKey || event.metaKey || event.altKey) return false
      const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
      if (by) step(by, event.shiftKey)
      else if (event.key === 'Escape') ports.select(null)
      else return false
      return true
    },
  }
}
