<script setup lang="ts">
/** The editable face of a lane: turns pointer and keys into edits, and says where they are. */
import type { Points } from '@rudlo/core/envelope'
import { signedText, type Control } from '@rudlo/core/scale'
import { gridStep, placeInWords, type Grid, type MeterMap } from '@rudlo/core/time'
import { computed, ref } from 'vue'
import { pointAt } from './hit-test'
import type { LineEditor } from './line-editor'
import { nudged, tidied } from './nudge'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  points: Points
  control: Control
  editor: LineEditor
  meter: MeterMap
  grid: Grid
  name: string
  /** Why nothing can be changed here; empty where it can. */
  locked: string
  /** Where Enter adds a point: the play position, and the value the lane has there. */
  here: { readonly tick: number; readonly value: number }
}>()

const emit = defineEmits<{
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  refuse: [reason: string]
}>()

/** px within which a point is taken, by mouse and by finger. */
const REACH = { mouse: 15, finger: 26 }
/** px a press may slip before it counts as a drag. */
const SLIP = 3

const surface = ref<HTMLElement>()
const hovered = ref(-1)
const pressed = ref<{ x: number; y: number; dx: number; dy: number; moved: boolean; finger: boolean } | null>(
  null,
)

const local = (event: MouseEvent) => {
  const box = surface.value!.getBoundingClientRect()
  return { x: event.clientX - box.left, y: event.clientY - box.top }
}
const valueAt = (y: number) =>
  tidied(props.control.scale.kind, props.control.scale.toValue(props.view.travel(y)))
const hit = (x: number, y: number, finger: boolean) =>
  pointAt(props.points, props.control.scale, props.view, x, y, finger ? REACH.finger : REACH.mouse)

function down(event: PointerEvent): void {
  if (event.button !== 0 || !event.isPrimary) return
  surface.value!.focus({ preventScroll: true })
  const { x, y } = local(event)
  const finger = event.pointerType === 'touch'
  const index = hit(x, y, finger)
  if (props.locked) {
    if (index >= 0) props.editor.select(index)
    else emit('refuse', props.locked)
    return
  }
  event.preventDefault()
  surface.value!.setPointerCapture(event.pointerId)
  const p = props.points[index]
  if (p) {
    const dx = props.view.x(p.tick) - x
    const dy = props.view.y(props.control.scale.toTravel(p.value)) - y
    pressed.value = { x, y, dx, dy, moved: false, finger }
    props.editor.grab(index)
  } else {
    pressed.value = { x, y, dx: 0, dy: 0, moved: false, finger }
    props.editor.grabNew(props.view.tick(x), valueAt(y), event.altKey)
  }
}

function move(event: PointerEvent): void {
  const { x, y } = local(event)
  const press = pressed.value
  if (!press) {
    hovered.value = event.pointerType === 'mouse' ? hit(x, y, false) : -1
    return
  }
  const far = Math.abs(x - press.x) > SLIP || Math.abs(y - press.y) > SLIP
  if (!press.moved && !far) return
  pressed.value = { ...press, moved: true }
  const axis = !event.shiftKey ? null : Math.abs(x - press.x) > Math.abs(y - press.y) ? 'time' : 'value'
  props.editor.dragTo(props.view.tick(x + press.dx), valueAt(y + press.dy), event.altKey, axis)
}

function up(): void {
  if (!pressed.value) return
  pressed.value = null
  props.editor.drop()
}

function lost(): void {
  if (!pressed.value) return
  pressed.value = null
  props.editor.cancel()
}

function wheel(event: WheelEvent): void {
  const { x } = local(event)
  if (event.ctrlKey) emit('zoom', props.view.tick(x), Math.exp(-event.deltaY / 240))
  else {
    const sideways = event.deltaX || (event.shiftKey ? event.deltaY : 0)
    if (!sideways) return
    emit('scroll', props.view.tick(sideways) - props.view.tick(0))
  }
  event.preventDefault()
}

const ARROWS: Readonly<Record<string, readonly [time: -1 | 0 | 1, value: -1 | 0 | 1]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

function key(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey) return
  if (!takeKey(event)) return
  event.preventDefault()
  event.stopPropagation()
}

/** True where the key meant something here. */
function takeKey(event: KeyboardEvent): boolean {
  const { editor } = props
  const last = props.points.length - 1
  switch (event.key) {
    case 'PageDown':
      editor.step(1)
      return true
    case 'PageUp':
      editor.step(-1)
      return true
    case 'Home':
      editor.select(Math.min(0, last))
      return true
    case 'End':
      editor.select(last)
      return true
    case 'Escape':
      if (pressed.value) lost()
      else editor.select(-1)
      return true
  }
  const arrow = ARROWS[event.key]
  const edits = arrow || ['Enter', 'Delete', 'Backspace'].includes(event.key)
  if (!edits) return false
  if (props.locked) emit('refuse', props.locked)
  else if (event.key === 'Enter')
    editor.add(props.here.tick, tidied(props.control.scale.kind, props.here.value), false)
  else if (!arrow) editor.removeSelected()
  else nudge(arrow[0], arrow[1], event.shiftKey)
  return true
}

function nudge(time: -1 | 0 | 1, value: -1 | 0 | 1, fine: boolean): void {
  const p = props.editor.current.value
  if (!p) return props.editor.step(time < 0 || value < 0 ? -1 : 1)
  const step = fine
    ? 10
    : Math.min(props.meter.lengthsAt(p.tick).bar, gridStep(props.meter, props.grid, p.tick))
  const to = value ? nudged(props.control, p.value, value, fine) : p.value
  props.editor.moveSelected(p.tick + time * (step === 1 ? 120 : step), to)
}

const shown = computed(() => {
  const index = props.editor.drag.value ? props.editor.selected.value : hovered.value
  const p = props.points[index]
  if (!p) return null
  const { drag } = props.editor
  const change = drag.value && !drag.value.fresh ? p.value - drag.value.startValue : 0
  const x = props.view.x(p.tick)
  const y = props.view.y(props.control.scale.toTravel(p.value))
  const above = pressed.value?.finger ? 74 : 54
  return {
    value: props.control.unit.format(p.value),
    change: Math.abs(change) >= 0.05 && p.value > -90 ? signedText(change, 1) : '',
    place: placeInWords(props.meter, p.tick),
    style: {
      left: `${Math.min(props.view.width - 92, Math.max(92, x))}px`,
      top: `${y - above < 6 ? y + 22 : y - above}px`,
    },
  }
})

const spoken = computed(() => {
  const p = props.editor.current.value
  if (!p) return ''
  const where = placeInWords(props.meter, p.tick)
  return `Point ${props.editor.selected.value + 1} of ${props.points.length}: ${props.control.unit.format(p.value)}, ${where}`
})

const described = computed(
  () =>
    `${props.name}, line with ${props.points.length} ${props.points.length === 1 ? 'point' : 'points'}. ` +
    (props.locked ||
      'Page up and page down choose a point, arrows move it, Enter adds one at the play position, Delete removes.'),
)
</script>

<template>
  <div
    ref="surface"
    class="surface"
    :class="{ holding: pressed, over: hovered >= 0, locked }"
    tabindex="0"
    role="application"
    aria-roledescription="line"
    :aria-label="described"
    data-test="line"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="lost"
    @pointerleave="hovered = -1"
    @wheel="wheel"
    @keydown="key"
  >
    <div v-if="shown" class="bubble" :style="shown.style" data-test="bubble">
      <b>{{ shown.value }}</b>
      <span v-if="shown.change" class="change">{{ shown.change }}</span>
      <br />{{ shown.place }}
    </div>
    <p class="unseen" role="status">{{ spoken }}</p>
  </div>
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  cursor: crosshair;
  touch-action: none;
}

.surface:focus-visible {
  outline-offset: -3px;
}

.surface.over {
  cursor: grab;
}

.surface.holding {
  cursor: grabbing;
}

.surface.locked {
  cursor: default;
}

.bubble {
  position: absolute;
  z-index: 3;
  padding: 5px 12px;
  border-radius: 10px;
  background: var(--desk);
  color: var(--on-desk);
  font-size: 14px;
  line-height: 1.3;
  white-space: nowrap;
  transform: translateX(-50%);
  pointer-events: none;
}

.bubble b {
  font-size: 17px;
}

.change {
  margin-left: 8px;
  opacity: 0.85;
}
</style>
