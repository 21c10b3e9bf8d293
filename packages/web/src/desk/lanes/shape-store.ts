import {
  cycleEnds,
  cyclesFor,
  layShape,
  type LineSpan,
  type Shape,
  type ShapeKind,
} from '@rudlo/core/envelope'
import { laneAt, withPoints, type Mix } from '@rudlo/core/mix'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Step } from '../../document/history'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { t } from '../../words/t'

const FIRST: Shape = { kind: 'swell', cycles: 1, depth: 0.25, centre: 0.6, growth: 0, pace: 1 }

/**
 * The ready shape that is being laid over the selected bars. It stays adjustable until something else is done: all its
 * changes are one step.
 */
export const useShape = defineStore('shape', () => {
  const desk = useDesk()
  const work = useWork()
  const open = ref(false)
  const shape = shallowRef<Shape>(FIRST)
  /** The step that laid it, with the lane and the bars; null until it is laid. */
  const laid = shallowRef<{
    readonly step: Step
    readonly address: string
    readonly span: LineSpan
  } | null>(null)

  /** How many beats the span has. */
  const beats = computed(() => {
    const span = laid.value?.span ?? desk.selection
    return span && desk.time ? (span.to - span.from) / desk.time.meter.lengthsAt(span.from).beat : 1
  })

  /** The lengths that were asked for, as long as nothing else decides them: whole cycles come only near them. */
  const asked = shallowRef<{ readonly first: number; readonly last: number } | null>(null)
  /** How long its first and last cycle are, in beats. */
  const lengths = computed(() => {
    const { first, last } = cycleEnds(shape.value)
    return asked.value ?? { first: first * beats.value, last: last * beats.value }
  })

  /** Gives the first or the last cycle another length in beats. Where all are of one length, the last goes along with the first. */
  function setLength(end: 'first' | 'last', length: number): void {
    const { first, last } = lengths.value
    const even = shape.value.pace === 1
    const next = end === 'last' ? { first, last: length } : { first: length, last: even ? length : last }
    change(cyclesFor(next.first / beats.value, next.last / beats.value))
    asked.value = next
  }

  /** Opens the shapes, centred where the line is now. */
  function start(): void {
    const found = laneAt(work.mix!, desk.address)
    const span = desk.selection
    if (!found || !span) return
    const { points, control } = found
    const { scale } = control
    const travels = points
      .filter((p) => p.tick >= span.from && p.tick <= span.to)
      .map((p) => scale.toTravel(p.value))
    const centre = travels.length
      ? (Math.min(...travels) + Math.max(...travels)) / 2
      : scale.toTravel(points.findLast((p) => p.tick <= span.from)?.value ?? points[0]!.value)
    shape.value = { ...shape.value, centre }
    laid.value = null
    asked.value = null
    open.value = true
  }

  function make(lane: string, span: LineSpan, next: Shape): (mix: Mix) => Mix {
    return (mix) => {
      const found = laneAt(mix, lane)
      if (!found) return mix
      const line = layShape(found.points, found.control.scale, span, next)
      return withPoints(mix, lane, line, () => crypto.randomUUID())
    }
  }

  /** Lays the shape, or makes the one that was laid anew. */
  function change(part: Partial<Shape>): void {
    shape.value = { ...shape.value, ...part }
    if ('cycles' in part || 'pace' in part) asked.value = null
    const lane = laid.value?.address ?? desk.address
    const span = laid.value?.span ?? desk.selection
    if (!span || !desk.isOpen(lane)) {
      work.notice = t('motif.locked')
      return
    }
    const { kind } = shape.value
    const change = {
      label: t('shape.over-bars', { shape: t(`shape.kind.${kind}`) }),
      lanes: [lane],
      from: span.from,
      to: span.to,
    }
    const step = laid.value
      ? work.amend(laid.value.step, make(lane, span, shape.value), change)
      : work.setMix(make(lane, span, shape.value), change)
    laid.value = step ? { step, address: lane, span } : null
  }

  const lay = (kind: ShapeKind) => change({ kind })

  function end(): void {
    open.value = false
    laid.value = null
  }

  // whatever else is done, is undone or selected: the shape is finished
  watch(
    () => work.history.done.at(-1),
    (newest) => {
      if (laid.value && newest !== laid.value.step) end()
    },
    { flush: 'post' },
  )
  watch(() => [desk.selection, desk.address, desk.hand], end)

  return { open, shape, beats, lengths, setLength, laid, start, change, lay, end }
})
