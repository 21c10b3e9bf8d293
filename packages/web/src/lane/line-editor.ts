import {
  addPoint,
  EditRefused,
  movePoint,
  removePoint,
  setForm,
  type Form,
  type Points,
} from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { snapTick, type Grid, type MeterMap } from '@rudlo/core/time'
import { computed, ref, shallowRef } from 'vue'
import type { ChangeLabel } from '../work/work-store'

/** What the editor of a line needs to know and can do. */
export interface LinePorts {
  points(): Points
  control(): Control
  /** The control's own setting, where a new line starts. */
  setting(): number
  meter(): MeterMap
  songLength(): number
  grid(): Grid
  /** Name of the lane in labels: "volume of Squeezebox". */
  laneName(): string
  address(): string
  begin(): void
  preview(points: Points): void
  commit(change: ChangeLabel): void
  cancel(): void
  set(points: Points, change: ChangeLabel): void
  refuse(reason: string): void
}

/** Edits a line by hand: one gesture or one key is one step. Knows nothing of pixels. */
export function useLineEditor(ports: LinePorts) {
  /** Index of the selected point, or −1. */
  const selected = ref(-1)
  /** The point under the hand, with the value the gesture began at. */
  const drag = shallowRef<{ base: Points; index: number; startValue: number; fresh: boolean } | null>(null)
  const current = computed(() => ports.points()[selected.value] ?? null)

  const snap = (tick: number, free: boolean) =>
    Math.min(
      ports.songLength(),
      free ? Math.max(0, Math.round(tick)) : snapTick(ports.meter(), ports.grid(), tick),
    )

  function label(what: string, from: number, to = from): ChangeLabel {
    const bar = (tick: number) => ports.meter().placeAt(tick).bar
    const place = bar(from) === bar(to) ? `bar ${bar(from)}` : `bars ${bar(from)} to ${bar(to)}`
    return { label: `${what}, ${ports.laneName()}, ${place}`, lanes: [ports.address()], from, to }
  }

  /** A new line starts level at the control's setting, so that its first point does not bend the whole song. */
  function started(tick: number): Points {
    const points = ports.points()
    return points.length || tick <= 0 ? points : addPoint(points, ports.control().scale, 0, ports.setting())
  }

  function tryTo<T>(what: () => T): T | null {
    try {
      return what()
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error
      ports.refuse(error.message)
      return null
    }
  }

  /** Takes the point `index` in hand. */
  function grab(index: number): void {
    const points = ports.points()
    selected.value = index
    drag.value = { base: points, index, startValue: points[index]!.value, fresh: false }
    ports.begin()
  }

  /** Makes a point and takes it in hand. */
  function grabNew(tick: number, value: number, free: boolean): void {
    const at = snap(tick, free)
    const base = tryTo(() => addPoint(started(at), ports.control().scale, at, value))
    if (!base) return
    const index = base.findIndex((p) => p.tick === at)
    selected.value = index
    drag.value = { base, index, startValue: value, fresh: true }
    ports.begin()
    ports.preview(base)
  }

  /** Moves what is in hand. `axis` keeps it from moving the other way. */
  function dragTo(tick: number, value: number, free: boolean, axis: 'time' | 'value' | null): void {
    const held = drag.value
    if (!held) return
    const from = held.base[held.index]!
    const at = axis === 'value' ? from.tick : snap(tick, free)
    ports.preview(
      movePoint(held.base, ports.control().scale, held.index, at, axis === 'time' ? from.value : value),
    )
  }

  function drop(): void {
    const held = drag.value
    drag.value = null
    const to = current.value
    if (!held || !to) return
    const from = held.base[held.index]!
    const text = ports.control().unit.format(to.value)
    ports.commit(
      label(
        held.fresh ? `Added a point at ${text}` : `Moved a point to ${text}`,
        Math.min(from.tick, to.tick),
        Math.max(from.tick, to.tick),
      ),
    )
  }

  function cancel(): void {
    const fresh = drag.value?.fresh
    drag.value = null
    if (fresh) selected.value = -1
    ports.cancel()
  }

  /** Adds a point as one step, and selects it. */
  function add(tick: number, value: number, free: boolean): void {
    const at = snap(tick, free)
    const points = tryTo(() => addPoint(started(at), ports.control().scale, at, value))
    if (!points) return
    ports.set(points, label(`Added a point at ${ports.control().unit.format(value)}`, at))
    selected.value = ports.points().findIndex((p) => p.tick === at)
  }

  function removeSelected(): void {
    const p = current.value
    if (!p) return
    const index = selected.value
    ports.set(removePoint(ports.points(), index), label('Removed a point', p.tick))
    selected.value = Math.min(index, ports.points().length - 1)
  }

  function moveSelected(tick: number, value: number): void {
    const p = current.value
    if (!p) return
    const points = movePoint(
      ports.points(),
      ports.control().scale,
      selected.value,
      Math.min(tick, ports.songLength()),
      value,
    )
    const text = ports.control().unit.format(points[selected.value]!.value)
    ports.set(points, label(`Moved a point to ${text}`, Math.min(p.tick, tick), Math.max(p.tick, tick)))
  }

  function setSelectedForm(form: Form, bend: number): void {
    const p = current.value
    const next = ports.points()[selected.value + 1]
    if (p && next)
      ports.set(
        setForm(ports.points(), selected.value, form, bend),
        label('Changed the form', p.tick, next.tick),
      )
  }

  function select(index: number): void {
    selected.value = index
  }

  /** Selects the next (1) or previous (−1) point. */
  function step(by: 1 | -1): void {
    const last = ports.points().length - 1
    selected.value =
      selected.value < 0 ? (by > 0 ? 0 : last) : Math.min(last, Math.max(0, selected.value + by))
  }

  return {
    selected,
    drag,
    current,
    grab,
    grabNew,
    dragTo,
    drop,
    cancel,
    add,
    removeSelected,
    moveSelected,
    setSelectedForm,
    select,
    step,
  }
}

export type LineEditor = ReturnType<typeof useLineEditor>
