import { replaceSpan, thin, valueAt, type Points, type Sample } from '@rudlo/core/envelope'
import { shallowRef, type ShallowRef } from 'vue'
import type { LanePlace, LaneTool } from '../surface/lane-pointer'
import type { DrawingPorts } from './drawing'
import { ARROWS, nudged } from './nudge'

type State =
  | { readonly kind: 'up' }
  /** By hand, or by keys: then the pen is where its last sample is. */
  | {
      readonly kind: 'down'
      readonly by: 'hand' | 'keys'
      readonly base: Points
      readonly stroke: readonly Sample[]
    }

export interface PenPorts extends DrawingPorts {
  /** How far an arrow moves the pen, in ticks. */
  step(tick: number): number
}

/** Draws a line freely: it follows the hand, or a pen that keys put down and move, and is thinned while it is drawn. */
export function penTool(ports: PenPorts): LaneTool & {
  readonly state: Readonly<ShallowRef<State>>
  /** Takes back what is drawn just now. */
  lost(): void
} {
  const state = shallowRef<State>({ kind: 'up' })
  const inside = (tick: number) => Math.round(Math.min(ports.songLength(), Math.max(0, tick)))
  const sampleOf = ({ tick, travel }: LanePlace): Sample => ({
    tick: inside(tick),
    value: ports.control().scale.toValue(travel),
  })

  function begin(by: 'hand' | 'keys', first: Sample): void {
    state.value = { kind: 'down', by, base: ports.points(), stroke: [first] }
    ports.begin()
  }

  /** A hand that goes back takes what it had drawn there away again. */
  function add(stroke: readonly Sample[], sample: Sample): readonly Sample[] {
    const [first] = stroke
    const going = stroke.length < 2 || stroke.at(-1)!.tick >= first!.tick ? 1 : -1
    const kept = stroke.filter((s) => (sample.tick - s.tick) * going > 0 || s === first)
    return kept[0]?.tick === sample.tick ? [sample] : [...kept, sample]
  }

  function draw(samples: readonly Sample[]): void {
    const now = state.value
    if (now.kind === 'up') return
    const stroke = samples.reduce(add, now.stroke)
    state.value = { ...now, stroke }
    const { scale } = ports.control()
    const points = thin(
      [...stroke].sort((a, b) => a.tick - b.tick),
      scale,
    )
    const span = { from: points[0]!.tick, to: points.at(-1)!.tick }
    ports.preview(span.to > span.from ? replaceSpan(now.base, scale, span, points) : now.base)
  }

  function done(): void {
    const now = state.value
    if (now.kind === 'up') return
    state.value = { kind: 'up' }
    const ticks = now.stroke.map((s) => s.tick)
    if (ticks.length < 2) ports.cancel()
    else ports.commit(Math.min(...ticks), Math.max(...ticks), ticks.length)
  }

  function lost(): void {
    if (state.value.kind === 'up') return
    state.value = { kind: 'up' }
    ports.cancel()
  }

  /** One step of the pen that keys have put down. */
  function moved(from: Sample, time: -1 | 0 | 1, by: -1 | 0 | 1, fine: boolean): Sample {
    const at = from.tick + time * (fine && time ? 10 : ports.step(from.tick))
    return { tick: inside(at), value: by ? nudged(ports.control(), from.value, by, fine) : from.value }
  }

  return {
    state,
    lost,
    down(pointer) {
      lost()
      begin('hand', sampleOf(pointer))
      return true
    },
    move: ({ trail }) => draw(trail.map(sampleOf)),
    up: done,
    cancel: lost,
    key(event) {
      if (event.ctrlKey || event.metaKey || event.altKey) return false
      const now = state.value
      const pen = now.kind === 'down' && now.by === 'keys' ? now.stroke.at(-1)! : null
      const arrow = ARROWS[event.key]
      if (event.key === 'Enter' && pen) done()
      else if (event.key === 'Enter' && now.kind === 'up') {
        const tick = inside(ports.here())
        begin('keys', { tick, value: valueAt(ports.points(), ports.control().scale, tick) })
      } else if (event.key === 'Escape' && now.kind === 'down') lost()
      else if (arrow && pen) draw([moved(pen, ...arrow, event.shiftKey)])
      else return false
      return true
    },
  }
}
