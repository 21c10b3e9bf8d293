import { moveRegion, trimRegion, withRegion, type Mix, type Region, type RegionChange } from '@rudlo/core/mix'
import type { SongTime } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { computed, shallowRef } from 'vue'
import type { ChangeLabel } from '../../document/editing'
import type { Viewport } from '../lane/viewport'
import { t } from '../../words/t'

/** What the handles of regions know and do. Places are ticks. */
export interface RegionPorts {
  view(): Viewport
  time(): SongTime
  /** Name of the track in labels. */
  track(): string
  /** Why nothing can be changed here; empty where it can. */
  locked(): string
  /** Where a place ends up that is set by hand. */
  snap(tick: number, free: boolean): number
  /** Length of a recording in samples. */
  frames(asset: string): number
  begin(): void
  preview(make: (mix: Mix) => Mix): void
  commit(change: ChangeLabel): void
  refuse(reason: string): void
  /** A region was moved by so many ticks: whether its lines go along is asked then. */
  moved(region: Region, by: number): void
}

export type Fade = 'fadeIn' | 'fadeOut'
/** What a hand takes of a region. */
export type Part = 'level' | 'move' | Fade | 'start' | 'end'

/** px of a drag that show whether it goes up or to the side. */
const SIDEWAYS = 5
/** dB for each px that the level is dragged. */
const DB_PER_PX = 0.15
const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }

export const REGION_PARTS: Readonly<Record<Part, string>> = {
  level: t('region.level.did'),
  move: t('region.did.moved'),
  start: t('region.start'),
  end: t('region.end'),
  fadeIn: t('region.fade-in'),
  fadeOut: t('region.fade-out'),
}

type State =
  | { readonly kind: 'idle' }
  | {
      readonly kind: 'holding'
      readonly part: Part
      readonly x: number
      readonly y: number
      /** The region as it was taken. */
      readonly region: Region
      /** Whether it is known what the hand does. */
      readonly decided: boolean
    }

/** The tick that lies so many samples after another. */
export const tickAfter = ({ tempo }: SongTime, start: number, samples: number): number =>
  tempo.tickAt(tempo.secondsAt(start) + samples / SAMPLE_RATE)

/** Handles of regions: level by dragging up and down, moved by dragging to the side, fades and ends by their handles. */
export function regionTool(ports: RegionPorts) {
  const state = shallowRef<State>({ kind: 'idle' })
  const after = (start: number, samples: number) => tickAfter(ports.time(), start, samples)

  const label = (part: Part, region: Region): ChangeLabel => ({
    label: t('region.did', { what: REGION_PARTS[part], track: ports.track() }),
    lanes: [],
    from: region.start,
    to: Math.round(after(region.start, region.length)),
  })

  /** One edit as one step; refused where nothing may be changed. */
  function once(part: Part, region: Region, make: (mix: Mix) => Mix): void {
    if (ports.locked()) return ports.refuse(ports.locked())
    ports.begin()
    ports.preview(make)
    ports.commit(label(part, region))
  }

  function down(event: PointerEvent, region: Region, part: Part): void {
    if (event.button !== 0) return
    if (ports.locked()) return ports.refuse(ports.locked())
    event.preventDefault()
    const handle = event.currentTarget as HTMLElement
    handle.focus({ preventScroll: true })
    handle.setPointerCapture(event.pointerId)
    const { clientX: x, clientY: y } = event
    state.value = { kind: 'holding', part, x, y, region, decided: part !== 'level' }
    ports.begin()
  }

  /** Where a place of the region goes that is dragged so many px. */
  const dragged = (tick: number, px: number, free: boolean) =>
    ports.snap(ports.view().tick(ports.view().x(tick) + px), free)

  function move(event: PointerEvent): void {
    const now = state.value
    if (now.kind === 'idle') return
    const [right, down] = [event.clientX - now.x, event.clientY - now.y]
    let { part } = now
    if (!now.decided) {
      if (Math.max(Math.abs(right), Math.abs(down)) < SIDEWAYS) return
      // of the bar itself the first way of the hand says what is meant
      if (Math.abs(right) > Math.abs(down)) part = 'move'
      state.value = { ...now, part, decided: true }
    }
    const { region } = now
    if (part === 'move') {
      const to = dragged(region.start, right, event.altKey)
      return ports.preview((mix) => moveRegion(mix, region.id, to))
    }
    if (part === 'start' || part === 'end') {
      const edge = after(region.start, part === 'end' ? region.length : 0)
      return ports.preview(trimmed(region, part, dragged(edge, right, event.altKey)))
    }
    ports.preview((mix) => withRegion(mix, region.id, changed(part, region, right, -down)))
  }

  const trimmed = (region: Region, part: 'start' | 'end', tick: number) => (mix: Mix) =>
    trimRegion(mix, region.id, part, tick, ports.time().tempo, ports.frames(region.asset))

  /** What a part of a region becomes when it is dragged so many px to the right and up. */
  function changed(part: 'level' | Fade, region: Region, right: number, up: number): RegionChange {
    if (part === 'level') return { level: Math.round((region.level + up * DB_PER_PX) * 10) / 10 }
    const { tempo } = ports.time()
    const length = part === 'fadeIn' ? region.fadeIn : region.length - region.fadeOut
    const x = ports.view().x(after(region.start, length)) + right
    const at = tempo.secondsAt(ports.view().tick(x)) - tempo.secondsAt(region.start)
    const samples = Math.round(at * SAMPLE_RATE)
    return part === 'fadeIn' ? { fadeIn: samples } : { fadeOut: region.length - samples }
  }

  function up(event: PointerEvent): void {
    const was = state.value
    if (was.kind === 'idle') return
    state.value = { kind: 'idle' }
    const { part, region, x } = was
    const by = part === 'move' ? dragged(region.start, event.clientX - x, event.altKey) - region.start : 0
    if (by !== 0) return ports.moved(region, by)
    ports.commit(label(part, region))
  }

  /** Moves a region, or one of its ends, by keys: to the next place of the grid, finely with Shift. */
  function keyInTime(event: KeyboardEvent, region: Region, part: 'move' | 'start' | 'end'): void {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
    if (!step) return
    event.preventDefault()
    event.stopPropagation()
    const { beat } = ports.time().meter.lengthsAt(region.start)
    const by = step * (event.shiftKey ? 10 : beat)
    if (part !== 'move') {
      const edge = after(region.start, part === 'end' ? region.length : 0)
      return once(part, region, trimmed(region, part, edge + by))
    }
    if (ports.locked()) return ports.refuse(ports.locked())
    const to = Math.max(0, region.start + by)
    ports.begin()
    ports.preview((mix) => moveRegion(mix, region.id, to))
    ports.moved(region, to - region.start)
  }

  function key(event: KeyboardEvent, region: Region, part: 'level' | Fade): void {
    if (part === 'level' && ['ArrowLeft', 'ArrowRight'].includes(event.key))
      return keyInTime(event, region, 'move')
    const step = STEPS[event.key]
    const home = event.key === 'Home' || event.key === 'Backspace'
    if (!step && !home) return
    event.preventDefault()
    event.stopPropagation()
    const by = (step ?? 0) * (event.shiftKey ? 0.1 : 1)
    const stepped = part === 'level' ? region.level + by : region[part] + by * 0.1 * SAMPLE_RATE
    once(part, region, (mix) => withRegion(mix, region.id, { [part]: home ? 0 : stepped }))
  }

  const toDefault = (region: Region, part: 'level' | Fade) =>
    once(part, region, (mix) => withRegion(mix, region.id, { [part]: 0 }))

  /** The region in hand; null while nothing is held. */
  const held = computed(() => (state.value.kind === 'holding' ? state.value.region.id : null))

  return { held, down, move, up, key, keyInTime, toDefault }
}
