<script setup lang="ts">
/** Lies over a lane while bars are selected: drag to select, a press without a drag takes the bar; arrows go from bar to bar. */
import type { LineSpan } from '@rudlo/core/envelope'
import type { MeterMap } from '@rudlo/core/time'
import { computed, ref } from 'vue'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  meter: MeterMap
  /** Where a place ends up that is set by hand. */
  snap: (tick: number, free: boolean) => number
  songLength: number
  selection: LineSpan | null
  /** The play position: keys begin there. */
  here: () => number
  name: string
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

/** So many bars after a tick, from bar line to bar line. */
function barAfter(tick: number, by: number): number {
  const { meter, songLength } = props
  const { bar } = meter.placeAt(tick)
  const to = meter.barStart(Math.max(1, bar + by))
  return Math.min(songLength, to)
}

/** One bar further or back; with Shift the selection gets longer or shorter at its end. */
function key(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!by && event.key !== 'Escape') return
  event.preventDefault()
  event.stopPropagation()
  const { selection, songLength } = props
  if (!by) return emit('select', null)
  if (!selection) {
    const here = Math.min(props.here(), songLength - 1)
    return emit('select', span(here, here, true))
  }
  if (event.shiftKey) {
    const to = barAfter(selection.to, by)
    return to > selection.from ? emit('select', { from: selection.from, to }) : undefined
  }
  const from = barAfter(selection.from, by)
  const to = barAfter(selection.to, by)
  if (to > from && from < songLength) emit('select', { from, to })
}

const spoken = computed(() => {
  if (!props.selection) return 'No bars selected'
  const { from, to } = props.selection
  const [first, last] = [props.meter.placeAt(from).bar, props.meter.placeAt(to - 1).bar]
  return first === last ? `Bar ${first} selected` : `Bars ${first} to ${last} selected`
})
</script>

<template>
  <div
    class="surface"
    data-test="bars-surface"
    tabindex="0"
    role="application"
    aria-roledescription="bars"
    :aria-label="`${name}, bars. Arrows select the bar before or after, Shift and arrows more or fewer, Escape none.`"
    @keydown="key"
    @touchstart.prevent
    @pointerdown="down"
    @pointermove="move"
    @pointerup="anchor = null"
    @pointercancel="anchor = null"
  >
    <p class="unseen" role="status">{{ spoken }}</p>
  </div>
</template>

<style scoped>
.surface {
  position: absolute;
  inset: 0;
  cursor: text;
  touch-action: none;
}

.surface:focus-visible {
  outline-offset: -3px;
}
</style>
