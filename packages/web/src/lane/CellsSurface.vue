<script setup lang="ts">
/** Lies over a lane while it is drawn cell by cell: every cell of the grid takes one value; a press on the same again clears it. */
import { clearSpan, holdSpan, valueAt, type Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { computed, ref, shallowRef } from 'vue'
import { tidied } from './nudge'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  control: Control
  /** The line as it is, already begun. */
  points: Points
  songLength: number
  /** Start and end of the cell that a tick lies in. */
  cell: (tick: number) => readonly [from: number, to: number]
}>()
const emit = defineEmits<{
  begin: []
  preview: [points: Points]
  commit: [from: number, to: number, count: number]
  cancel: []
}>()

const isSwitch = computed(() => props.control.scale.kind === 'switch')
const hovered = ref<readonly [number, number] | null>(null)
const held = shallowRef<{
  base: Points
  cells: Map<number, readonly [number, number, number | null]>
  on: boolean
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
  held.value = { base: props.points, cells: new Map(), on }
  emit('begin')
  draw(event)
}

function draw(event: PointerEvent): void {
  const { tick, value } = place(event)
  const cell = props.cell(tick)
  hovered.value = cell
  if (!held.value) return
  const { cells, base, on } = held.value
  const drawn = event.ctrlKey ? null : isSwitch.value ? Number(on) : value
  cells.set(cell[0], [cell[0], Math.min(props.songLength, cell[1]), drawn])
  const { scale } = props.control
  emit(
    'preview',
    [...cells.values()]
      .sort((a, b) => a[0] - b[0])
      .reduce(
        (line, [from, to, v]) =>
          v === null ? clearSpan(line, scale, { from, to }) : holdSpan(line, scale, { from, to }, v),
        base,
      ),
  )
}

function up(): void {
  if (!held.value) return
  const cells = [...held.value.cells.values()]
  held.value = null
  emit('commit', Math.min(...cells.map((c) => c[0])), Math.max(...cells.map((c) => c[1])), cells.length)
}

function lost(): void {
  if (!held.value) return
  held.value = null
  emit('cancel')
}
</script>

<template>
  <div
    class="surface"
    data-test="cells-surface"
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
  </div>
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  cursor: cell;
  touch-action: none;
}

.cell {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--ink) 8%, transparent);
  pointer-events: none;
}
</style>
