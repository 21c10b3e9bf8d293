import type { Chosen, Points } from '@rudlo/core/envelope'
import { computed, ref, shallowRef } from 'vue'
import type { Along, LinePorts } from './line-ports'

const NONE: Chosen = new Set()

/** Which points of a line are chosen, one or several, and what is chosen with them on other lanes. */
export function pointChoice(ports: Pick<LinePorts, 'points' | 'beside'>) {
  /** Index of the selected point, or −1. */
  const selected = ref(-1)
  /** All points that are selected, where they are several: `selected` is one of them. */
  const chosen = shallowRef<Chosen>(NONE)
  /** The one of them that figures are of. */
  const current = computed(() => ports.points()[selected.value] ?? null)
  /** The points that an edit is for. */
  const meant = (): Chosen => (chosen.value.size > 1 ? chosen.value : new Set([selected.value]))

  /** What is chosen on other lanes. */
  const along = (): readonly Along[] => ports.beside?.along() ?? []
  /** How many points an edit is for, on all lanes. */
  const count = computed(() => along().reduce((sum, lane) => sum + lane.chosen.size, meant().size))

  /** Selects one point and nothing else, on no other lane either. */
  function select(index: number): void {
    ports.beside?.leave()
    keep(index)
  }

  /** Selects one point of this lane and no other one of it. */
  function keep(index: number): void {
    chosen.value = NONE
    selected.value = index
  }

  /** @returns what chooses again what is chosen now, here and on other lanes */
  function snapshot(): () => void {
    const [index, some, others] = [selected.value, chosen.value, ports.beside?.snapshot()]
    return () => {
      selected.value = index
      chosen.value = some
      others?.()
    }
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

  /** Chooses all points of this lane; once more, those of all lanes. */
  function chooseAll(): void {
    const every = new Set(ports.points().keys())
    if (every.size > 0 && chosen.value.size === every.size) ports.beside?.chooseAll()
    choose(every)
  }

  /** Where the points lie that an edit is for. */
  function reach(base = ports.points(), others = along()): [from: number, to: number] {
    const of = (points: Points, indices: Chosen) => [...indices].map((i) => points[i]?.tick ?? 0)
    const ticks = [...of(base, meant()), ...others.flatMap((lane) => of(lane.points, lane.chosen))]
    return [Math.min(...ticks), Math.max(...ticks)]
  }

  return {
    selected,
    chosen,
    current,
    meant,
    along,
    count,
    reach,
    choose,
    toggle,
    chooseAll,
    chooseOn,
    select,
    keep,
    snapshot,
    step,
  }
}
