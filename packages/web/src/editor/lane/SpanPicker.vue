<script setup lang="ts">
/** Over a read-only lane: dragging chooses whole bars, a click goes there. */
import type { SongTime } from '@rudlo/core/song'
import { ref } from 'vue'
import type { Span, Viewport } from './viewport'
import { barsAround } from '../strip/strip-geometry'

const props = defineProps<{ view: Viewport; time: SongTime }>()
const emit = defineEmits<{
  span: [span: Span]
  go: [tick: number]
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
}>()

const DRAG = 6
const face = ref<HTMLElement>()
const drag = ref<{ from: number; far: boolean } | null>(null)

const x = (event: MouseEvent) => event.clientX - face.value!.getBoundingClientRect().left

function down(event: PointerEvent): void {
  if (event.button !== 0 || !event.isPrimary) return
  face.value!.setPointerCapture(event.pointerId)
  drag.value = { from: x(event), far: false }
}

function move(event: PointerEvent): void {
  if (!drag.value) return
  const { from } = drag.value
  if (!drag.value.far && Math.abs(x(event) - from) < DRAG) return
  drag.value = { from, far: true }
  emit('span', barsAround(props.time, props.view.tick(from), props.view.tick(x(event))))
}

function up(): void {
  if (drag.value && !drag.value.far) emit('go', Math.max(0, Math.round(props.view.tick(drag.value.from))))
  drag.value = null
}

function wheel(event: WheelEvent): void {
  if (event.ctrlKey) emit('zoom', props.view.tick(x(event)), Math.exp(-event.deltaY / 240))
  else {
    const sideways = event.deltaX || (event.shiftKey ? event.deltaY : 0)
    if (!sideways) return
    emit('scroll', props.view.tick(sideways) - props.view.tick(0))
  }
  event.preventDefault()
}
</script>

<template>
  <div
    ref="face"
    class="face"
    data-test="span-picker"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="drag = null"
    @wheel="wheel"
  />
</template>

<style scoped>
.face {
  position: absolute;
  inset: 0;
  cursor: text;
  touch-action: none;
}
</style>
