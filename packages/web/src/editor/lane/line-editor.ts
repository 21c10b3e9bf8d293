import {
  cut,
  bendSpan,
  EditRefused,
  movePoint,
  moveTogether,
  removePoints,
  setForms,
  setValues,
  stamp,
  travelAt,
  valueAt as lineValueAt,
  type Form,
  type Points,
} from '@rudlo/core/envelope'
import { shallowRef } from 'vue'
import type { ChangeLabel } from '../../document/editing'
import { pointChoice } from './point-choice'
import type { Along, LinePorts, Lines, Spread } from './line-ports'
import { pointSetter } from './set-point'
import { t } from '../../words/t'

/** How far a key bends a line, as a share of the way between its ends. */
const BEND_STEP = 0.05

/** Edits a line by hand: one gesture or one key is one step. Knows nothing of pixels. */
export function useLineEditor(ports: LinePorts) {
  /** What is under the hand: points, or the middle of the span after one; with the value the gesture began at. */
  const drag = shallowRef<{
    base: Points
    index: number
    startValue: number
    fresh: boolean
    what: 'points' | 'bend'
    /** What is chosen on other lanes, as it was. */
    along?: readonly Along[]
    /** The line before, and how a fresh point spreads that is far from others: it goes on as far as the hand does. */
    spreads?: { readonly before: Points; readonly spread: Spread } | null
  } | null>(null)
  const { snap } = ports
  const choice = pointChoice(ports)
  const { selected, meant, count, along, reach, select, current } = choice
  const { started, spreadAt, spreadOver, withPoint } = pointSetter(ports)

  function label(what: string, from: number, to = from, others: readonly Along[] = []): ChangeLabel {
    const bar = (tick: number) => ports.meter().placeAt(tick).bar
    const place =
      bar(from) === bar(to)
        ? t('play.bars.one', { bar: bar(from) })
        : t('play.bars.many', { first: bar(from), last: bar(to) })
    const lanes = [ports.address(), ...others.map((lane) => lane.address)]
    const whose = others.length ? t('line.lanes', { n: lanes.length }) : ports.laneName()
    return { label: `${what}, ${whose}, ${place}`, lanes, from, to }
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
    if (!meant().has(index)) select(index)
    selected.value = index
    drag.value = {
      base: points,
      index,
      startValue: points[index]!.value,
      fresh: false,
      what: 'points',
      along: along(),
    }
    ports.begin()
  }

  /** Takes the span after a point in hand by its middle. */
  function grabMiddle(index: number): void {
    const base = ports.points()
    select(index)
    drag.value = { base, index, startValue: base[index]!.value, fresh: false, what: 'bend' }
    ports.begin()
  }

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
    const others = held.along ?? []
    if (meant().size + others.length < 2)
      return ports.preview(movePoint(held.base, scale, held.index, at, to))
    const moved = movedTogether(held.base, others, from, { tick: at, value: to })
    if (others.length) ports.beside?.preview(moved)
    else ports.preview(moved.get(ports.address())!)
  }

  /** The lines with what is chosen on them moved as one, from a point of this lane to another place. */
  function movedTogether(
    base: Points,
    others: readonly Along[],
    from: { readonly tick: number; readonly value: number },
    to: { readonly tick: number; readonly value: number },
  ): Lines {
    const { scale } = ports.control()
    const lines = [
      { points: base, scale, chosen: meant() },
      ...others.map(({ points, control, chosen: some }) => ({ points, scale: control.scale, chosen: some })),
    ]
    const by = { ticks: to.tick - from.tick, from: from.value, to: to.value, end: ports.songLength() }
    const moved = moveTogether(lines, scale, by)
    return new Map([ports.address(), ...others.map((o) => o.address)].map((lane, i) => [lane, moved[i]!]))
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
    const others = held.along ?? []
    if (meant().size + others.length > 1) {
      const [first, last] = reach(held.base, others)
      return ports.commit(label(t('did.moved-points', { n: count.value }), first, last, others))
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

  /** Gives this lane and others new points, as one step. */
  function setLines(own: Points, others: Lines, change: ChangeLabel): void {
    if (others.size) ports.beside?.set(new Map([...others, [ports.address(), own]]), change)
    else ports.set(own, change)
  }

  function removeSelected(): void {
    if (!current.value) return
    const [index, gone, others] = [selected.value, meant(), along()]
    const [from, to] = reach()
    const n = count.value
    const what = n > 1 ? t('did.removed-points', { n }) : t('did.removed-point')
    const change = label(what, from, to, others)
    ports.beside?.leave()
    const left = others.map((lane) => [lane.address, removePoints(lane.points, lane.chosen)] as const)
    setLines(removePoints(ports.points(), gone), new Map(left), change)
    select(Math.min(index, ports.points().length - 1))
  }

  /** Gives all points that are selected one value, as one step; on other lanes where it means the same. */
  function giveValue(value: number): void {
    if (!current.value) return
    const { scale, unit } = ports.control()
    const others = along().filter(({ control }) => control.unit === unit && control.scale.kind === scale.kind)
    const n = others.reduce((sum, lane) => sum + lane.chosen.size, meant().size)
    const text = unit.format(value)
    const what = n > 1 ? t('did.set-points', { n, text }) : t('did.set-point', { text })
    const [from, to] = reach()
    const given = others.map(
      ({ address, points, control, chosen: some }) =>
        [address, setValues(points, control.scale, some, value)] as const,
    )
    const own = setValues(ports.points(), scale, meant(), value)
    setLines(own, new Map(given), label(what, from, to, others))
  }

  /** Moves all points that are selected by so many ticks and from the value of the first one to another. */
  function moveSelected(tick: number, value: number): void {
    const p = ports.points()[selected.value]
    if (!p) return
    const others = along()
    if (meant().size + others.length > 1) {
      const [from, to] = reach()
      const moved = new Map(movedTogether(ports.points(), others, p, { tick, value }))
      const own = moved.get(ports.address())!
      moved.delete(ports.address())
      return setLines(own, moved, label(t('did.moved-points', { n: count.value }), from, to, others))
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

  /** Gives what lies after all points that are selected one form, as one step; on other lanes too. */
  function setSelectedForm(form: Form, bend: number): void {
    if (!current.value) return
    const others = along().filter(({ control }) => control.scale.kind !== 'switch')
    const own = setForms(ports.points(), meant(), form, bend)
    const formed = others.map((o) => [o.address, setForms(o.points, o.chosen, form, bend)] as const)
    if (own === ports.points() && !others.length) return
    const [from, to] = reach()
    setLines(own, new Map(formed), label(t('did.form'), from, to, others))
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

  return {
    ...choice,
    grabMiddle,
    giveValue,
    stampHere,
    drag,
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
  }
}

export type LineEditor = ReturnType<typeof useLineEditor>
