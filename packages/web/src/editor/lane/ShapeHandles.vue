<script setup lang="ts">
/** Handles of a ready shape on the lane: its middle, its depth, how often it comes, how it grows. */
import { cycleEnds, shapeTravel, type LineSpan, type Shape } from '@rudlo/core/envelope'
import { computed, shallowRef } from 'vue'
import type { Viewport } from './viewport'
import { t } from '../../words/t'

const props = defineProps<{ view: Viewport; span: LineSpan; shape: Shape }>()
const emit = defineEmits<{ change: [part: Partial<Shape>]; length: [end: 'first' | 'last', share: number] }>()

type Handle = 'middle' | 'depth' | 'first' | 'last' | 'growth'

const box = computed(() => {
  const left = props.view.x(props.span.from)
  const right = props.view.x(props.span.to)
  const top = props.view.y(shapeTravel({ ...props.shape, growth: 0 }, 0, 1))
  const bottom = props.view.y(shapeTravel({ ...props.shape, growth: 0 }, 0, -1))
  return { left, right, top, bottom, middle: props.view.y(props.shape.centre) }
})
const ends = computed(() => cycleEnds(props.shape))
/** The ends of a shape that comes several times can be made longer or shorter. */
const shown = (handle: Handle) =>
  handle === 'first'
    ? props.shape.kind !== 'ramp'
    : handle !== 'last' || (props.shape.kind !== 'ramp' && props.shape.cycles >= 2)

const places = computed<Readonly<Record<Handle, { readonly x: number; readonly y: number }>>>(() => {
  const { left, right, top, middle } = box.value
  return {
    middle: { x: left, y: middle },
    depth: { x: (left + right) / 2, y: top },
    first: { x: left + (right - left) * ends.value.first, y: middle },
    last: { x: right - (right - left) * ends.value.last, y: middle },
    growth: {
      x: right,
      y: middle - (middle - top) * Math.max(-1, Math.min(1, 1 - Math.abs(props.shape.growth))),
    },
  }
})
const TITLES: Readonly<Record<Handle, string>> = {
  middle: t('shape.handle.middle'),
  depth: t('shape.handle.depth'),
  first: t('shape.handle.first'),
  last: t('shape.handle.last'),
  growth: t('shape.handle.grows'),
}

const held = shallowRef<{ handle: Handle; x: number; y: number; start: Shape } | null>(null)

function down(event: PointerEvent, handle: Handle): void {
  if (event.button !== 0) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  held.value = { handle, x: event.clientX, y: event.clientY, start: props.shape }
}

function move(event: PointerEvent): void {
  if (!held.value) return
  const { handle, x, y, start } = held.value
  const up = props.view.travel(y + props.view.y(0.5) - y - (y - event.clientY)) - 0.5
  const { left, right } = box.value
  if (handle === 'middle') emit('change', { centre: clamp(start.centre + up, 0, 1) })
  if (handle === 'depth') emit('change', { depth: clamp(start.depth + 2 * up, -1, 1) })
  if (handle === 'growth') emit('change', { growth: clamp(start.growth - 3 * up, -1, 1) })
  if (handle === 'first' || handle === 'last') {
    const further = (event.clientX - x) * (handle === 'first' ? 1 : -1)
    const width = Math.max(8, (right - left) * cycleEnds(start)[handle] + further)
    emit('length', handle, Math.min(1, width / (right - left)))
  }
}

const clamp = (v: number, low: number, high: number) => Math.min(high, Math.max(low, v))

const ARROWS: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }

function key(event: KeyboardEvent, handle: Handle): void {
  const by = ARROWS[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  const { shape } = props
  if (handle === 'middle') emit('change', { centre: clamp(shape.centre + by * 0.02, 0, 1) })
  if (handle === 'depth') emit('change', { depth: clamp(shape.depth + by * 0.02, -1, 1) })
  if (handle === 'growth') emit('change', { growth: clamp(shape.growth + by * 0.1, -1, 1) })
  if (handle === 'first' || handle === 'last') emit('length', handle, ends.value[handle] * 2 ** by)
}
</script>

<template>
  <div class="handles">
    <div
      class="frame"
      :style="{
        left: `${box.left}px`,
        width: `${box.right - box.left}px`,
        top: `${Math.min(box.top, box.bottom)}px`,
        height: `${Math.abs(box.bottom - box.top)}px`,
      }"
    />
    <template v-for="(place, handle) in places" :key="handle">
      <button
        v-if="shown(handle)"
        class="handle"
        :class="handle"
        :aria-label="TITLES[handle]"
        :title="TITLES[handle]"
        :data-test="`handle-${handle}`"
        :style="{ left: `${place.x}px`, top: `${place.y}px` }"
        @pointerdown.stop="down($event, handle)"
        @pointermove="move"
        @pointerup="held = null"
        @pointercancel="held = null"
        @keydown="key($event, handle)"
      />
    </template>
  </div>
</template>

<style scoped>
.handles {
  position: absolute;
  z-index: 4;
  inset: 0;
  overflow: hidden;
  pointer-events: none;
}

.frame {
  position: absolute;
  border: 1.5px dashed var(--warm);
  border-radius: 4px;
}

.handle {
  position: absolute;
  width: 32px;
  height: 32px;
  margin: -16px 0 0 -16px;
  border: 0;
  background: none;
  cursor: ns-resize;
  pointer-events: auto;
  touch-action: none;
  user-select: none;
}

.handle::after {
  content: '';
  position: absolute;
  inset: 9px;
  border: 2.5px solid var(--warm);
  border-radius: 3px;
  background: var(--sheet);
}

.handle.first,
.handle.last {
  cursor: ew-resize;
}

.handle.depth::after {
  inset: 11px 6px;
}

.handle.growth::after {
  border-radius: 50%;
}

.handle.first::after,
.handle.last::after {
  inset: 6px 11px;
}

.handle:hover::after,
.handle:focus-visible::after {
  background: var(--warm);
}

/* a finger means one from further away */
@media (pointer: coarse) {
  .handle::before {
    content: '';
    position: absolute;
    inset: -6px;
  }
}
</style>
