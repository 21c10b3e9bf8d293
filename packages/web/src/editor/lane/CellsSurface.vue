<script setup lang="ts">
/**
 * Lies over a lane while it is drawn cell by cell: every cell of the grid takes one value. With Ctrl, or by a finger that is
 * held still first, cells are cleared. Arrows go from cell to cell and give them a value.
 */
import { releaseSpan, holdSpan, valueAt, type Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import { computed, ref, shallowRef } from 'vue'
import { nudged, tidied } from './nudge'
import { useHold } from './use-hold'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  control: Control
  /** The line as it is, already begun. */
  points: Points
  songLength: number
  /** Start and end of the cell that a tick lies in. */
  cell: (tick: number) => readonly [from: number, to: number]
  meter: MeterMap
  /** The play position: keys begin there. */
  here: () => number
  name: string
}>()
const emit = defineEmits<{
  begin: []
  preview: [points: Points]
  commit: [from: number, to: number, count: number]
  cancel: []
}>()

const isSwitch = computed(() => props.control.scale.kind === 'switch')
const hovered = ref<readonly [number, number] | null>(null)
const hold = useHold()
const held = shallowRef<{
  base: Points
  cells: Map<number, readonly [number, number, number | null]>
  on: boolean
  clears: boolean
} | null>(null)

function place(event: PointerEvent): { tick: number; value: number } {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const tick = Math.min(props.songLength - 1, Math.max(0, props.view.tick(event.clientX - box.left)))
  const { scale } = props.control
  return { tick, value: tidied(scale.kind, scale.toValue(props.view.travel(event.clientY - box.top))) }
}

function down(event: PointerEvent): void {
  if (event.button !== 0 || !event.isPrimary) return
  event.preventDefault()
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  const { tick } = place(event)
  // of a switch the first cell says what the stroke does: it turns each cell over
  const on = valueAt(props.points, props.control.scale, props.cell(tick)[0]) < 0.5
  held.value = { base: props.points, cells: new Map(), on, clears: event.ctrlKey }
  emit('begin')
  draw(event)
  if (event.pointerType !== 'touch') return
  hold.down(event.clientX, event.clientY, () => {
    if (!held.value) return
    held.value = { ...held.value, clears: true }
    drawAt(tick, 0)
  })
}

function draw(event: PointerEvent): void {
  const { tick, value } = place(event)
  hold.move(event.clientX, event.clientY)
  drawAt(tick, value)
}

function drawAt(tick: number, value: number): void {
  const cell = props.cell(tick)
  hovered.value = cell
  if (!held.value) return
  const { cells, base, on, clears } = held.value
  const drawn = clears ? null : isSwitch.value ? Number(on) : value
  cells.set(cell[0], [cell[0], Math.min(props.songLength, cell[1]), drawn])
  const { scale } = props.control
  emit(
    'preview',
    [...cells.values()]
      .sort((a, b) => a[0] - b[0])
      .reduce(
        (line, [from, to, v]) =>
          v === null ? releaseSpan(line, scale, { from, to }) : holdSpan(line, scale, { from, to }, v),
        base,
      ),
  )
}

function up(): void {
  hold.end()
  if (!held.value) return
  const cells = [...held.value.cells.values()]
  held.value = null
  emit('commit', Math.min(...cells.map((c) => c[0])), Math.max(...cells.map((c) => c[1])), cells.length)
}

function lost(): void {
  hold.end()
  if (!held.value) return
  held.value = null
  emit('cancel')
}

/** The cell that keys work on. */
function cursor(): readonly [number, number] {
  return hovered.value ?? props.cell(Math.min(props.songLength - 1, props.here()))
}

/** One edit of one cell, as one step. */
function set(line: Points, [from, to]: readonly [number, number]): void {
  emit('begin')
  emit('preview', line)
  emit('commit', from, to, 1)
}

function key(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const { points, control, songLength } = props
  const { scale } = control
  const cell = cursor()
  const span = { from: cell[0], to: Math.min(songLength, cell[1]) }
  const value = valueAt(points, scale, cell[0])
  const up = { ArrowUp: 1, ArrowDown: -1 }[event.key] as 1 | -1 | undefined
  if (event.key === 'ArrowRight') hovered.value = cell[1] < songLength ? props.cell(cell[1]) : cell
  else if (event.key === 'ArrowLeft') hovered.value = props.cell(Math.max(0, cell[0] - 1))
  else if (up) set(holdSpan(points, scale, span, nudged(control, value, up, event.shiftKey)), cell)
  else if (event.key === 'Enter') set(holdSpan(points, scale, span, isSwitch.value ? 1 - value : value), cell)
  else if (event.key === 'Delete' || event.key === 'Backspace') set(releaseSpan(points, scale, span), cell)
  else return
  hovered.value ??= cell
  event.preventDefault()
  event.stopPropagation()
}

const spoken = computed(() => {
  if (!hovered.value) return ''
  const [tick] = hovered.value
  const value = valueAt(props.points, props.control.scale, tick)
  return `${placeInWords(props.meter, tick)}: ${props.control.unit.format(value)}`
})
</script>

<template>
  <div
    class="surface"
    data-test="cells-surface"
    tabindex="0"
    role="application"
    aria-roledescription="cells"
    :aria-label="`${name}, cells. Arrows to the side go from cell to cell, up and down change its value, Enter ${isSwitch ? 'turns it over' : 'holds it'}, Delete clears it.`"
    @keydown="key"
    @touchstart.prevent
    @pointerdown="down"
    @pointermove="draw"
    @pointerup="up"
    @pointercancel="lost"
    @pointerleave="hovered = null"
  >
    <div
      v-if="hovered"
      class="cell"
      :style="{
        left: `${view.x(hovered[0])}px`,
        width: `${view.x(hovered[1]) - view.x(hovered[0])}px`,
      }"
    />
    <p class="unseen" role="status">{{ spoken }}</p>
  </div>
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  cursor: cell;
  touch-action: none;
}

.surface:focus-visible {
  outline-offset: -3px;
}

.cell {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--ink) 8%, transparent);
  pointer-events: none;
}
</style>
