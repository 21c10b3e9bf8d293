import {
  addPoint,
  cut,
  begun,
  bendSpan,
  EditRefused,
  isFar,
  movePoint,
  movePoints,
  removePoints,
  setForm,
  setFromHere,
  setNear,
  setValues,
  stamp,
  travelAt,
  valueAt as lineValueAt,
  type Chosen,
  type Form,
  type Points,
} from '@rudlo/core/envelope'
import { riseBetween, type Control } from '@rudlo/core/scale'
import type { MeterMap } from '@rudlo/core/time'
import { computed, ref, shallowRef } from 'vue'
import type { ChangeLabel } from '../../document/work-store'
import { t } from '../../words/t'

/** How far the line changes where a point is set far from others. */
export interface Spread {
  /** In its neighbourhood alone, from there on, or to the points beside it. */
  readonly how: 'near' | 'on' | 'beside'
  /** Ticks in which the line leads there. */
  readonly step: number
  /** A point within so many ticks is beside it. */
  readonly reach: number
}

/** What the editor of a line needs to know and can do. */
export interface LinePorts {
  points(): Points
  control(): Control
  /** The control's own setting, where a new line starts. */
  setting(): number
  meter(): MeterMap
  songLength(): number
  /** Where a place ends up that is set by hand. */
  snap(tick: number, free: boolean): number
  /** How far the line changes where a point is set far from others; to the points beside it, if that is not said. */
  spread?: (tick: number) => Spread
  /** Name of the lane in labels: "volume of Squeezebox". */
  laneName(): string
  address(): string
  begin(): void
  preview(points: Points): void
  /** Lets `points` catch up with what was previewed. */
  settle(): void
  commit(change: ChangeLabel): void
  cancel(): void
  set(points: Points, change: ChangeLabel): void
  refuse(reason: string): void
}

const NONE: Chosen = new Set()
/** How far a key bends a line, as a share of the way between its ends. */
const BEND_STEP = 0.05

/** Edits a line by hand: one gesture or one key is one step. Knows nothing of pixels. */
export function useLineEditor(ports: LinePorts) {
  /** Index of the selected point, or −1. */
  const selected = ref(-1)
  /** All points that are selected, where they are several: `selected` is one of them. */
  const chosen = shallowRef<Chosen>(NONE)
  /** What is under the hand: points, or the middle of the span after one; with the value the gesture began at. */
  const drag = shallowRef<{
    base: Points
    index: number
    startValue: number
    fresh: boolean
    what: 'points' | 'bend'
    /** The line before, and how a fresh point spreads that is far from others: it goes on as far as the hand does. */
    spreads?: { readonly before: Points; readonly spread: Spread } | null
  } | null>(null)
  const current = computed(() => ports.points()[selected.value] ?? null)
  /** The points that an edit is for. */
  const meant = (): Chosen => (chosen.value.size > 1 ? chosen.value : new Set([selected.value]))

  const { snap } = ports

  function label(what: string, from: number, to = from): ChangeLabel {
    const bar = (tick: number) => ports.meter().placeAt(tick).bar
    const place =
      bar(from) === bar(to)
        ? t('play.bars.one', { bar: bar(from) })
        : t('play.bars.many', { first: bar(from), last: bar(to) })
    return { label: `${what}, ${ports.laneName()}, ${place}`, lanes: [ports.address()], from, to }
  }

  /** How a value spreads that is set at a place; null near other points, and where it bends the line to those beside it. */
  function spreadAt(tick: number): Spread | null {
    const spread = ports.spread?.(tick)
    return spread && spread.how !== 'beside' && isFar(ports.points(), tick, spread.reach) ? spread : null
  }

  /** A line with a value set from one place to another, which spreads as was decided. */
  function spreadOver(
    points: Points,
    { how, step }: Spread,
    from: number,
    to: number,
    value: number,
  ): Points {
    const { scale } = ports.control()
    const setting = { from, to, value, step, end: ports.songLength() }
    return (how === 'near' ? setNear : setFromHere)(begun(points, scale, ports.setting()), scale, setting)
  }

  /** A line with a point set by hand. */
  function withPoint(tick: number, value: number): Points {
    const spread = spreadAt(tick)
    return spread
      ? spreadOver(ports.points(), spread, tick, tick, value)
      : addPoint(started(tick), ports.control().scale, tick, value)
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

  /** Takes the point `index` in hand, with all others that are selected with it. */
  function grab(index: number): void {
    const points = ports.points()
    if (!chosen.value.has(index)) chosen.value = NONE
    selected.value = index
    drag.value = { base: points, index, startValue: points[index]!.value, fresh: false, what: 'points' }
    ports.begin()
  }

  /** Takes the span after a point in hand by its middle. */
  function grabMiddle(index: number): void {
    const base = ports.points()
    selected.value = index
    chosen.value = NONE
    drag.value = { base, index, startValue: base[index]!.value, fresh: false, what: 'bend' }
    ports.begin()
  }

  /** Selects several points; none where there are none. */
  function choose(indices: Chosen): void {
    chosen.value = indices
    selected.value = indices.size ? Math.min(...indices) : -1
  }

  /** Adds a point to those that are selected, or takes it away from them. */
  function toggle(index: number): void {
    const next = new Set(chosen.value.size ? chosen.value : selected.value >= 0 ? [selected.value] : [])
    if (next.has(index)) next.delete(index)
    else next.add(index)
    choose(next)
  }

  const chooseAll = () => choose(new Set(ports.points().keys()))

  /** Makes a point and takes it in hand. @param typed its value; null for that of the line there, which stays as it is */
  function grabNew(tick: number, typed: number | null, free: boolean): void {
    const at = snap(tick, free)
    const before = ports.points()
    const { scale } = ports.control()
    const value = typed ?? lineValueAt(before, scale, at)
    const base = tryTo(() => (typed === null ? cut(before, scale, at) : withPoint(at, value)))
    if (!base) return
    const index = base.findIndex((p) => p.tick === at)
    select(index)
    const spread = typed === null ? null : spreadAt(at)
    const spreads = spread && { before, spread }
    drag.value = { base, index, startValue: value, fresh: true, what: 'points', spreads }
    ports.begin()
    ports.preview(base)
  }

  /** Moves what is in hand. `axis` keeps it from moving the other way. */
  function dragTo(tick: number, value: number, free: boolean, axis: 'time' | 'value' | null): void {
    const held = drag.value
    if (!held) return
    const { scale } = ports.control()
    const from = held.base[held.index]!
    if (held.what === 'bend')
      return ports.preview(bendSpan(held.base, scale, held.index, scale.toTravel(value)))
    const at = axis === 'value' ? from.tick : snap(tick, free)
    const to = axis === 'time' ? from.value : value
    if (held.spreads) return dragOn(held.spreads, from.tick, at, to)
    ports.preview(
      chosen.value.size > 1
        ? movePoints(
            held.base,
            scale,
            chosen.value,
            at - from.tick,
            riseBetween(scale, from.value, to),
            ports.songLength(),
          )
        : movePoint(held.base, scale, held.index, at, to),
    )
  }

  /** What spreads goes on as far as the hand does, at the value of the hand. */
  function dragOn(
    { before, spread }: { readonly before: Points; readonly spread: Spread },
    start: number,
    at: number,
    value: number,
  ): void {
    const next = tryTo(() => spreadOver(before, spread, Math.min(start, at), Math.max(start, at), value))
    if (!next) return
    selected.value = next.findIndex((p) => p.tick === at)
    ports.preview(next)
  }

  function drop(): void {
    const held = drag.value
    drag.value = null
    ports.settle()
    const to = current.value
    if (!held || !to) return
    const from = held.base[held.index]!
    if (held.what === 'bend') {
      const end = held.base[held.index + 1]?.tick ?? from.tick
      return ports.commit(label(t('did.bent'), from.tick, end))
    }
    if (chosen.value.size > 1) {
      const ticks = [...chosen.value].map((i) => held.base[i]?.tick ?? from.tick)
      return ports.commit(
        label(t('did.moved-points', { n: chosen.value.size }), Math.min(...ticks), Math.max(...ticks)),
      )
    }
    const text = ports.control().unit.format(to.value)
    ports.commit(
      label(
        held.fresh ? t('did.added-at', { text }) : t('did.moved-to', { text }),
        Math.min(from.tick, to.tick),
        Math.max(from.tick, to.tick),
      ),
    )
  }

  function cancel(): void {
    const fresh = drag.value?.fresh
    drag.value = null
    if (fresh) select(-1)
    ports.cancel()
  }

  /** Adds a point as one step, and selects it. */
  function add(tick: number, value: number, free: boolean): void {
    const at = snap(tick, free)
    const points = tryTo(() => withPoint(at, value))
    if (!points) return
    ports.set(points, label(t('did.added-at', { text: ports.control().unit.format(value) }), at))
    select(ports.points().findIndex((p) => p.tick === at))
  }

  /** Writes the control's setting at a tick as one step: as a point, or as a jump there. */
  function stampHere(tick: number, as: 'point' | 'jump'): void {
    const at = Math.min(ports.songLength(), Math.max(0, Math.round(tick)))
    const value = ports.setting()
    const points = tryTo(() => stamp(started(at), ports.control().scale, at, value, as))
    if (!points) return
    ports.set(points, label(t('did.stamped', { text: ports.control().unit.format(value) }), at))
    select(ports.points().findIndex((p) => p.tick === at))
  }

  /** Where the points lie that an edit is for. */
  function reach(): [from: number, to: number] {
    const ticks = [...meant()].map((i) => ports.points()[i]?.tick ?? 0)
    return [Math.min(...ticks), Math.max(...ticks)]
  }

  function removeSelected(): void {
    if (!current.value) return
    const index = selected.value
    const gone = meant()
    const what = gone.size > 1 ? t('did.removed-points', { n: gone.size }) : t('did.removed-point')
    const [from, to] = reach()
    ports.set(removePoints(ports.points(), gone), label(what, from, to))
    select(Math.min(index, ports.points().length - 1))
  }

  /** Gives all points that are selected one value, as one step. */
  function giveValue(value: number): void {
    if (!current.value) return
    const given = meant()
    const text = ports.control().unit.format(value)
    const what = given.size > 1 ? t('did.set-points', { n: given.size, text }) : t('did.set-point', { text })
    const [from, to] = reach()
    ports.set(setValues(ports.points(), ports.control().scale, given, value), label(what, from, to))
  }

  /** Moves all points that are selected by so many ticks and from the value of the first one to another. */
  function moveSelected(tick: number, value: number): void {
    const p = ports.points()[selected.value]
    if (!p) return
    if (chosen.value.size > 1) {
      const [from, to] = reach()
      const { scale } = ports.control()
      const end = ports.songLength()
      const moved = movePoints(
        ports.points(),
        scale,
        chosen.value,
        tick - p.tick,
        riseBetween(scale, p.value, value),
        end,
      )
      return ports.set(moved, label(t('did.moved-points', { n: chosen.value.size }), from, to))
    }
    const points = movePoint(
      ports.points(),
      ports.control().scale,
      selected.value,
      Math.min(tick, ports.songLength()),
      value,
    )
    const text = ports.control().unit.format(points[selected.value]!.value)
    ports.set(points, label(t('did.moved-to', { text }), Math.min(p.tick, tick), Math.max(p.tick, tick)))
  }

  function setSelectedForm(form: Form, bend: number): void {
    const p = current.value
    const next = ports.points()[selected.value + 1]
    if (p && next)
      ports.set(setForm(ports.points(), selected.value, form, bend), label(t('did.form'), p.tick, next.tick))
  }

  /** Bends the line after the selected point up (1) or down (−1), as one step. */
  function bendSelected(by: 1 | -1): void {
    const p = current.value
    const next = ports.points()[selected.value + 1]
    if (!p || !next) return
    const { scale } = ports.control()
    const points = ports.points()
    const [a, b] = [scale.toTravel(p.value), scale.toTravel(next.value)]
    const middle = travelAt(points, scale, (p.tick + next.tick) / 2) + by * BEND_STEP * Math.abs(b - a)
    ports.set(bendSpan(points, scale, selected.value, middle), label(t('did.bent'), p.tick, next.tick))
  }

  function select(index: number): void {
    chosen.value = NONE
    selected.value = index
  }

  /** Selects the next (1) or previous (−1) point. */
  function step(by: 1 | -1): void {
    const last = ports.points().length - 1
    select(selected.value < 0 ? (by > 0 ? 0 : last) : Math.min(last, Math.max(0, selected.value + by)))
  }

  /** Selects the next (1) or previous (−1) point as well. */
  function chooseOn(by: 1 | -1): void {
    const last = ports.points().length - 1
    if (selected.value < 0) return step(by)
    const all = [...meant()]
    const next = (by > 0 ? Math.max(...all) : Math.min(...all)) + by
    if (next >= 0 && next <= last) choose(new Set([...all, next]))
  }

  return {
    selected,
    chosen,
    choose,
    toggle,
    chooseAll,
    grabMiddle,
    giveValue,
    stampHere,
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
    bendSelected,
    chooseOn,
    select,
    step,
  }
}

export type LineEditor = ReturnType<typeof useLineEditor>
