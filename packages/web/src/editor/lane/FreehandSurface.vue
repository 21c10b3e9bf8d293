<script setup lang="ts">
/** Lies over a lane while a line is drawn freely: it follows the hand or a pen moved by keys, and is thinned when let go. */
import { replaceSpan, thin, valueAt, type Points, type Sample } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import { computed, onBeforeUnmount, ref } from 'vue'
import { ARROWS, nudged } from './nudge'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  control: Control
  /** The line as it is, already begun. */
  points: Points
  songLength: number
  meter: MeterMap
  /** How far an arrow moves the pen, in ticks. */
  step: (tick: number) => number
  /** The play position: a pen is put down there. */
  here: () => number
  name: string
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
  pen.value = null
  if (ticks.length < 2) return emit('cancel')
  emit('commit', Math.min(...ticks), Math.max(...ticks), ticks.length)
}

function lost(): void {
  if (!stroke.value.length) return
  stroke.value = []
  pen.value = null
  emit('cancel')
}

/** The pen that keys move; null while it is not down. */
const pen = ref<Sample | null>(null)

function putDown(): void {
  const tick = Math.round(Math.min(props.songLength, Math.max(0, props.here())))
  base = props.points
  pen.value = { tick, value: valueAt(base, props.control.scale, tick) }
  stroke.value = [pen.value]
  emit('begin')
}

function movePen(time: -1 | 0 | 1, by: -1 | 0 | 1, fine: boolean): void {
  const { tick, value } = pen.value!
  const at = tick + time * (fine && time ? 10 : props.step(tick))
  pen.value = {
    tick: Math.round(Math.min(props.songLength, Math.max(0, at))),
    value: by ? nudged(props.control, value, by, fine) : value,
  }
  add(pen.value)
  show()
}

function key(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const arrow = ARROWS[event.key]
  if (event.key === 'Enter') {
    if (pen.value) up()
    else putDown()
  } else if (event.key === 'Escape' && pen.value) lost()
  else if (arrow && pen.value) movePen(...arrow, event.shiftKey)
  else return
  event.preventDefault()
  event.stopPropagation()
}

// another way of working was chosen while the pen was down
onBeforeUnmount(lost)

const spoken = computed(() =>
  pen.value
    ? `Pen down: ${props.control.unit.format(pen.value.value)}, ${placeInWords(props.meter, pen.value.tick)}`
    : 'Pen up',
)
</script>

<template>
  <div
    class="surface"
    data-test="freehand-surface"
    tabindex="0"
    role="application"
    aria-roledescription="pen"
    :aria-label="`${name}, pen. Enter puts it down at the play position and lifts it again, arrows draw, Escape takes it back.`"
    @keydown="key"
    @blur="pen && lost()"
    @touchstart.prevent
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="lost"
  >
    <span
      v-if="pen"
      class="pen"
      :style="{ left: `${view.x(pen.tick)}px`, top: `${view.y(control.scale.toTravel(pen.value))}px` }"
    />
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

.pen {
  position: absolute;
  z-index: 3;
  width: 14px;
  height: 14px;
  margin: -7px 0 0 -7px;
  border: 3px solid var(--warm);
  border-radius: 50%;
  pointer-events: none;
}
</style>
