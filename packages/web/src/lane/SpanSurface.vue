<script setup lang="ts">
/** Lies over a lane while bars are selected: drag to select, a press without a drag takes the bar. */
import type { LineSpan } from '@rudlo/core/envelope'
import type { MeterMap } from '@rudlo/core/time'
import { ref } from 'vue'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  meter: MeterMap
  /** Where a place ends up that is set by hand. */
  snap: (tick: number, free: boolean) => number
  songLength: number
  selection: LineSpan | null
}>()
const emit = defineEmits<{ select: [span: LineSpan | null] }>()

const anchor = ref<number | null>(null)

function tickAt(event: PointerEvent): number {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  return Math.min(props.songLength, Math.max(0, props.view.tick(event.clientX - box.left)))
}

function span(a: number, b: number, free: boolean): LineSpan {
  const from = props.snap(Math.min(a, b), free)
  const to = props.snap(Math.max(a, b), free)
  if (to > from) return { from, to }
  const { bar } = props.meter.placeAt(from)
  return { from: props.meter.barStart(bar), to: Math.min(props.songLength, props.meter.barStart(bar + 1)) }
}

function down(event: PointerEvent): void {
  if (event.button !== 0 || !event.isPrimary) return
  event.preventDefault()
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  anchor.value = tickAt(event)
  emit('select', span(anchor.value, anchor.value, event.altKey))
}

function move(event: PointerEvent): void {
  if (anchor.value !== null) emit('select', span(anchor.value, tickAt(event), event.altKey))
}
</script>

<template>
  <div
    class="surface"
    data-test="bars-surface"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="anchor = null"
    @pointercancel="anchor = null"
  />
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  cursor: text;
  touch-action: none;
}
</style>
