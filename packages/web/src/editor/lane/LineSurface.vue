<script setup lang="ts">
/** The editable face of a lane: turns pointer and keys into edits, and says where they are. */
import { indexAt, pointsWithin, travelAt, type Points } from '@rudlo/core/envelope'
import { signedText, type Control } from '@rudlo/core/scale'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'
import type { Told } from './draw-bubble'
import { pointAt } from './hit-test'
import { useHold } from './use-hold'
import { usePinch } from './use-pinch'
import type { LineEditor } from './line-editor'
import { ARROWS, nudged, tidied } from './nudge'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  points: Points
  control: Control
  editor: LineEditor
  meter: MeterMap
  /** How far an arrow key moves a point, in ticks. */
  step: (tick: number) => number
  name: string
  /** Why nothing can be changed here; empty where it can. */
  locked: string
  /** Where Enter adds a point: the play position, and the value the lane has there. */
  here: () => { readonly tick: number; readonly value: number }
  /** Name for tests. */
  test?: string
}>()

const emit = defineEmits<{
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  /** Closer on the values (above 1), about a travel that stays where it is. */
  tall: [travel: number, factor: number]
  refuse: [reason: string]
  /** Something is to be said of a point beside it, or nothing any longer. */
  tell: [told: Told | null]
}>()

/** px within which a point is taken, by mouse and by finger. */
const REACH = { mouse: 15, finger: 26 }
/** px of a span's width and height of its ends' difference from which on its middle can be taken. */
const BENDABLE = { width: 34, height: 10 }
/** px a press may slip before it counts as a drag. */
const SLIP = 3

const surface = ref<HTMLElement>()
const hovered = ref(-1)
const pressed = ref<{ x: number; y: number; dx: number; dy: number; moved: boolean; finger: boolean } | null>(
  null,
)

/** A box that is being drawn round points. */
const boxed = ref<{ x: number; y: number; toX: number; toY: number; before: ReadonlySet<number> } | null>(
  null,
)

/** Two fingers scroll and zoom; what the first of them had begun is given up. */
const hold = useHold()
const pinch = usePinch({
  begin: () => (hold.end(), lost(), (boxed.value = null)),
  zoom: (x, factor) => emit('zoom', props.view.tick(x), factor),
  scroll: (px) => emit('scroll', props.view.tick(px) - props.view.tick(0)),
})

const local = (event: MouseEvent) => {
  const box = surface.value!.getBoundingClientRect()
  return { x: event.clientX - box.left, y: event.clientY - box.top }
}
const valueAt = (y: number) =>
  tidied(props.control.scale.kind, props.control.scale.toValue(props.view.travel(y)))
const hit = (x: number, y: number, finger: boolean) =>
  pointAt(props.points, props.control.scale, props.view, x, y, finger ? REACH.finger : REACH.mouse)

function down(event: PointerEvent): void {
  if (event.pointerType === 'touch' && pinch.down(event.pointerId, local(event))) return
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
  if (event.shiftKey) {
    chooseAt(index, x, y)
    return
  }
  if (finger) {
    const before = props.editor.chosen.value
    // held still, a finger chooses several: what it had begun is given up
    hold.down(x, y, () => (lost(), props.editor.choose(before), chooseAt(index, x, y)))
  }
  const middle = p ? null : middleNear(x, y, finger)
  if (middle) {
    pressed.value = { x, y, dx: 0, dy: middle.y - y, moved: false, finger }
    props.editor.grabMiddle(middle.index)
  } else if (p) {
    const dx = props.view.x(p.tick) - x
    const dy = props.view.y(props.control.scale.toTravel(p.value)) - y
    pressed.value = { x, y, dx, dy, moved: false, finger }
    props.editor.grab(index)
  } else {
    pressed.value = { x, y, dx: 0, dy: 0, moved: false, finger }
    props.editor.grabNew(props.view.tick(x), valueAt(y), event.altKey)
  }
}

/** Adds the point at a place to those that are selected, or takes it away; where there is none a box begins. */
function chooseAt(index: number, x: number, y: number): void {
  if (index >= 0) props.editor.toggle(index)
  else boxed.value = { x, y, toX: x, toY: y, before: props.editor.chosen.value }
}

/** The middle of the span that lies at a place, where it can be bent. */
function middleAt(index: number): { index: number; x: number; y: number } | null {
  const { points, view } = props
  const { scale } = props.control
  const [from, to] = [points[index], points[index + 1]]
  if (!from || !to || from.form === 'jump' || scale.kind === 'switch') return null
  const [a, b] = [from, to].map((p) => view.y(scale.toTravel(p.value))) as [number, number]
  const width = view.x(to.tick) - view.x(from.tick)
  if (width < BENDABLE.width || Math.abs(b - a) < BENDABLE.height) return null
  const tick = (from.tick + to.tick) / 2
  return { index, x: view.x(tick), y: view.y(travelAt(points, scale, tick)) }
}

function middleNear(x: number, y: number, finger: boolean) {
  const middle = middleAt(indexAt(props.points, props.view.tick(x)))
  const reach = finger ? REACH.finger : REACH.mouse
  return middle && Math.hypot(middle.x - x, middle.y - y) < reach ? middle : null
}

const over = ref<{ index: number; x: number; y: number } | null>(null)
/** The middle that can be taken: under the pointer, or after the selected point. */
const middles = computed(() =>
  props.locked || pressed.value
    ? []
    : [over.value, middleAt(props.editor.selected.value)]
        .filter((m) => m !== null)
        .filter((m, i, all) => i === 0 || m.index !== all[0]?.index),
)

function drawBox(x: number, y: number): void {
  const box = boxed.value!
  boxed.value = { ...box, toX: x, toY: y }
  const ticks = [box.x, x].map((px) => props.view.tick(px)).sort((a, b) => a - b) as [number, number]
  const travels = [box.y, y].map((px) => props.view.travel(px)) as [number, number]
  const inside = pointsWithin(props.points, props.control.scale, ticks, travels)
  props.editor.choose(new Set([...box.before, ...inside]))
}

function move(event: PointerEvent): void {
  const { x, y } = local(event)
  if (event.pointerType === 'touch' && pinch.move(event.pointerId, { x, y })) return
  hold.move(x, y)
  if (boxed.value) return drawBox(x, y)
  const press = pressed.value
  if (!press && event.pointerType === 'mouse')
    over.value = middleAt(indexAt(props.points, props.view.tick(x)))
  if (!press) {
    hovered.value = event.pointerType === 'mouse' ? hit(x, y, false) : -1
    return
  }
  const far = Math.abs(x - press.x) > SLIP || Math.abs(y - press.y) > SLIP
  if (!press.moved && !far) return
  if (!press.moved) pressed.value = { ...press, moved: true }
  const axis = !event.shiftKey ? null : Math.abs(x - press.x) > Math.abs(y - press.y) ? 'time' : 'value'
  props.editor.dragTo(props.view.tick(x + press.dx), valueAt(y + press.dy), event.altKey, axis)
}

function up(event: PointerEvent): void {
  pinch.up(event.pointerId)
  hold.end()
  boxed.value = null
  if (!pressed.value) return
  pressed.value = null
  props.editor.drop()
}

function cancelled(event: PointerEvent): void {
  pinch.up(event.pointerId)
  hold.end()
  boxed.value = null
  lost()
}

function lost(): void {
  if (!pressed.value) return
  pressed.value = null
  props.editor.cancel()
}

function wheel(event: WheelEvent): void {
  const { x } = local(event)
  if (event.ctrlKey) emit('zoom', props.view.tick(x), Math.exp(-event.deltaY / 240))
  else if (event.altKey) emit('tall', props.view.travel(local(event).y), Math.exp(-event.deltaY / 240))
  else {
    const sideways = event.deltaX || (event.shiftKey ? event.deltaY : 0)
    if (!sideways) return
    emit('scroll', props.view.tick(sideways) - props.view.tick(0))
  }
  event.preventDefault()
}

function key(event: KeyboardEvent): void {
  if ((event.ctrlKey || event.metaKey) && event.key === 'a') {
    event.preventDefault()
    return props.editor.chooseAll()
  }
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
    case 'PageUp': {
      const by = event.key === 'PageDown' ? 1 : -1
      if (event.shiftKey) editor.chooseOn(by)
      else editor.step(by)
      return true
    }
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
  else if (event.key === 'Enter') {
    const { tick, value } = props.here()
    editor.add(tick, tidied(props.control.scale.kind, value), false)
  } else if (!arrow) editor.removeSelected()
  else if (event.altKey && arrow[1]) editor.bendSelected(arrow[1])
  else nudge(arrow[0], arrow[1], event.shiftKey)
  return true
}

function nudge(time: -1 | 0 | 1, value: -1 | 0 | 1, fine: boolean): void {
  const p = props.editor.current.value
  if (!p) return props.editor.step(time < 0 || value < 0 ? -1 : 1)
  const step = fine ? 10 : props.step(p.tick)
  const to = value ? nudged(props.control, p.value, value, fine) : p.value
  props.editor.moveSelected(p.tick + time * step, to)
}

/** The point that something is said of: in hand, else under the pointer. */
watch(
  () => {
    const { drag, selected } = props.editor
    const index = drag.value ? selected.value : hovered.value
    if (!props.points[index]) return null
    const began = drag.value && !drag.value.fresh ? drag.value.startValue : null
    return { index, began, finger: pressed.value?.finger ?? false }
  },
  (told) => emit('tell', told),
)

const spoken = computed(() => {
  const p = props.editor.current.value
  if (!p) return ''
  const where = placeInWords(props.meter, p.tick)
  const { size } = props.editor.chosen.value
  if (size > 1) return `${size} points selected, the first at ${props.control.unit.format(p.value)}, ${where}`
  const { drag } = props.editor
  const by = drag.value && !drag.value.fresh ? p.value - drag.value.startValue : 0
  const moved = Math.abs(by) >= 0.05 ? ` (${signedText(by, 1)})` : ''
  return `Point ${props.editor.selected.value + 1} of ${props.points.length}: ${props.control.unit.format(p.value)}${moved}, ${where}`
})

const described = computed(
  () =>
    `${props.name}, line with ${props.points.length} ${props.points.length === 1 ? 'point' : 'points'}. ` +
    (props.locked ||
      'Page up and page down choose a point, with Shift one more, Control A all of them; arrows move it, Alt and arrows bend the line after it; Enter adds one at the play position, Delete removes.'),
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
    :data-test="test ?? 'line'"
    @touchstart.prevent
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="cancelled"
    @pointerleave="((hovered = -1), (over = null))"
    @wheel="wheel"
    @keydown="key"
  >
    <span
      v-for="m in middles"
      :key="m.index"
      class="middle"
      title="Drag up or down to bend the line"
      :style="{ left: `${m.x}px`, top: `${m.y}px` }"
    />
    <div
      v-if="boxed"
      class="box"
      :style="{
        left: `${Math.min(boxed.x, boxed.toX)}px`,
        top: `${Math.min(boxed.y, boxed.toY)}px`,
        width: `${Math.abs(boxed.toX - boxed.x)}px`,
        height: `${Math.abs(boxed.toY - boxed.y)}px`,
      }"
    />
    <p class="unseen" role="status">{{ spoken }}</p>
  </div>
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  contain: strict;
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

.middle {
  position: absolute;
  width: 12px;
  height: 12px;
  margin: -6px 0 0 -6px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  background: var(--sheet);
  transform: rotate(45deg);
  cursor: ns-resize;
  opacity: 0.75;
}

.box {
  position: absolute;
  border: 1.5px dashed var(--ink);
  border-radius: 4px;
  background: color-mix(in srgb, var(--ink) 8%, transparent);
  pointer-events: none;
}
</style>
