import type { Scale } from '../scale'
import { FORMS, type Points } from './envelope'
import { formAt } from './form'

/** A line laid out in flat arrays for the audio thread: no objects to visit, nothing to allocate. */
export interface CompiledLine {
  readonly ticks: Float64Array
  readonly travels: Float64Array
  /** Index into FORMS of the span after each point. */
  readonly forms: Uint8Array
  readonly bends: Float64Array
  readonly silentBelow: number
}

const JUMP = FORMS.indexOf('jump')

const compiled = new WeakMap<Points, { readonly scale: Scale; readonly line: CompiledLine }>()

/**
 * Lays an envelope's points out for block evaluation. Points are never changed in place, so the same points give
 * the same line again: whoever holds it can see that nothing changed.
 */
export function compileLine(points: Points, scale: Scale): CompiledLine {
  const known = compiled.get(points)
  if (known?.scale === scale) return known.line
  const line = layOut(points, scale)
  compiled.set(points, { scale, line })
  return line
}

function layOut(points: Points, scale: Scale): CompiledLine {
  const n = points.length
  const line = {
    ticks: new Float64Array(n),
    travels: new Float64Array(n),
    forms: new Uint8Array(n),
    bends: new Float64Array(n),
    silentBelow: scale.silentBelow,
  }
  points.forEach((p, i) => {
    line.ticks[i] = p.tick
    line.travels[i] = scale.toTravel(p.value)
    line.forms[i] = FORMS.indexOf(p.form)
    line.bends[i] = p.bend
  })
  return line
}

/** Where two lines differ, in ticks: before `from` and after `to` they are the same. */
export interface ChangedSpan {
  readonly from: number
  readonly to: number
}

/** What lies between the points that two lines share at their beginning and at their end; null where they are the same. */
export function changedSpan(one: CompiledLine, two: CompiledLine): ChangedSpan | null {
  const [n, m] = [one.ticks.length, two.ticks.length]
  const least = Math.min(n, m)
  let head = 0
  while (head < least && samePoint(one, head, two, head)) head++
  if (head === n && head === m) return null
  let tail = 0
  while (tail < least - head && samePoint(one, n - 1 - tail, two, m - 1 - tail)) tail++
  return {
    from: head === 0 ? -Infinity : one.ticks[head - 1]!,
    to: tail === 0 ? Infinity : one.ticks[n - tail]!,
  }
}

function samePoint(one: CompiledLine, i: number, two: CompiledLine, k: number): boolean {
  return (
    one.ticks[i] === two.ticks[k] &&
    one.travels[i] === two.travels[k] &&
    one.forms[i] === two.forms[k] &&
    one.bends[i] === two.bends[k]
  )
}

/** Reads a compiled line at rising ticks without searching; a step back costs one search. */
export class LineCursor {
  #index = -1

  constructor(readonly line: CompiledLine) {}

  /** Index of the last point at or before `tick`, or −1. */
  seek(tick: number): number {
    const { ticks } = this.line
    let i = this.#index
    if (i >= ticks.length || (i >= 0 && ticks[i]! > tick)) i = -1
    if (i + 8 < ticks.length && ticks[i + 8]! <= tick) i = this.#search(tick)
    else while (i + 1 < ticks.length && ticks[i + 1]! <= tick) i++
    this.#index = i
    return i
  }

  /** Travel at `tick`: the same as `travelAt`. The line must have a point. */
  travelAt(tick: number): number {
    const i = this.seek(tick)
    const { ticks, travels, forms, bends, silentBelow } = this.line
    if (i < 0) return travels[0]!
    const start = travels[i]!
    if (i + 1 >= ticks.length || ticks[i] === tick) return start
    const from = ticks[i]!
    const u = (tick - from) / (ticks[i + 1]! - from)
    const travel = start + (travels[i + 1]! - start) * formAt(FORMS[forms[i]!]!, bends[i]!, u)
    return travel < silentBelow ? 0 : travel
  }

  /** Whether the line jumps onto point `i`. */
  jumpsTo(i: number): boolean {
    return i > 0 && this.line.forms[i - 1] === JUMP
  }

  #search(tick: number): number {
    const { ticks } = this.line
    let low = 0
    let high = ticks.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (ticks[middle]! <= tick) low = middle + 1
      else high = middle
    }
    return low - 1
  }
}
