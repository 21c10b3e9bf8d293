<script setup lang="ts">
/** Lies over a lane while a line is drawn freely: it follows the hand, and is thinned when it is let go. */
import { replaceSpan, thin, type Points, type Sample } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { ref } from 'vue'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  control: Control
  /** The line as it is, already begun. */
  points: Points
  songLength: number
}>()
const emit = defineEmits<{
  begin: []
  preview: [points: Points]
  commit: [from: number, to: number, count: number]
  cancel: []
}>()

const stroke = ref<Sample[]>([])
let base: Points = []

function sampleOf(event: PointerEvent, box: DOMRect): Sample {
  const tick = Math.round(Math.min(props.songLength, Math.max(0, props.view.tick(event.clientX - box.left))))
  return { tick, value: props.control.scale.toValue(props.view.travel(event.clientY - box.top)) }
}

function down(event: PointerEvent): void {
  if (event.button !== 0 || !event.isPrimary) return
  event.preventDefault()
  const surface = event.currentTarget as HTMLElement
  surface.setPointerCapture(event.pointerId)
  base = props.points
  stroke.value = [sampleOf(event, surface.getBoundingClientRect())]
  emit('begin')
}

function move(event: PointerEvent): void {
  if (!stroke.value.length) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const events = event.getCoalescedEvents?.() ?? []
  for (const each of events.length ? events : [event]) add(sampleOf(each, box))
  show()
}

/** A hand that goes back takes what it had drawn there away again. */
function add(sample: Sample): void {
  const going = stroke.value.length < 2 || stroke.value.at(-1)!.tick >= stroke.value[0]!.tick ? 1 : -1
  const kept = stroke.value.filter((s) => (sample.tick - s.tick) * going > 0 || s === stroke.value[0])
  stroke.value = kept[0]?.tick === sample.tick ? [sample] : [...kept, sample]
}

function drawn(): Points {
  const rising = [...stroke.value].sort((a, b) => a.tick - b.tick)
  const points = thin(rising, props.control.scale)
  const span = { from: points[0]!.tick, to: points.at(-1)!.tick }
  return span.to > span.from ? replaceSpan(base, props.control.scale, span, points) : base
}

const show = () => emit('preview', drawn())

function up(): void {
  const ticks = stroke.value.map((s) => s.tick)
  stroke.value = []
  if (ticks.length < 2) return emit('cancel')
  emit('commit', Math.min(...ticks), Math.max(...ticks), ticks.length)
}

function lost(): void {
  if (!stroke.value.length) return
  stroke.value = []
  emit('cancel')
}
</script>

<template>
  <div
    class="surface"
    data-test="freehand-surface"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="lost"
  />
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  cursor: crosshair;
  touch-action: none;
}
</style>
