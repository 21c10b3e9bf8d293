<script setup lang="ts">
/**
 * The regions of a track along the top of its lane: level by dragging up and down, moved by dragging to the side, fades and
 * ends by the handles.
 */
import { moveRegion, trimRegion, withRegion, type Mix, type Region, type RegionChange } from '@rudlo/core/mix'
import { MIXER_CONTROLS, numberText } from '@rudlo/core/scale'
import type { SongTime } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { computed, shallowRef } from 'vue'
import type { ChangeLabel } from '../../document/work-store'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  time: SongTime
  regions: readonly Region[]
  track: string
  /** Why nothing can be changed here; empty where it can. */
  locked: string
  /** Where a place ends up that is set by hand. */
  snap: (tick: number, free: boolean) => number
  /** Length of a recording in samples. */
  frames: (asset: string) => number
}>()

const emit = defineEmits<{
  begin: []
  preview: [make: (mix: Mix) => Mix]
  commit: [change: ChangeLabel]
  refuse: [reason: string]
  /** A region was moved by so many ticks: whether its lines go along is asked then. */
  moved: [region: Region, by: number]
}>()

type Fade = 'fadeIn' | 'fadeOut'
type Part = 'level' | 'move' | Fade | 'start' | 'end'

/** px of a drag that show whether it goes up or to the side. */
const SIDEWAYS = 5

/** dB for each px that the level is dragged. */
const DB_PER_PX = 0.15
const { unit } = MIXER_CONTROLS.level
const held = shallowRef<{
  id: string
  part: Part
  x: number
  y: number
  start: Region
  /** Whether it is known what the hand does. */
  decided: boolean
} | null>(null)

const tickAfter = (start: number, samples: number) =>
  props.time.tempo.tickAt(props.time.tempo.secondsAt(start) + samples / SAMPLE_RATE)
const shown = computed(() =>
  props.regions
    .map((region) => {
      const left = props.view.x(region.start)
      const right = props.view.x(tickAfter(region.start, region.length))
      return {
        region,
        left: Math.max(-6, left),
        right: Math.min(props.view.width, right),
        fadeIn: props.view.x(tickAfter(region.start, region.fadeIn)),
        fadeOut: props.view.x(tickAfter(region.start, region.length - region.fadeOut)),
        start: left,
        end: right,
      }
    })
    .filter((r) => r.right - r.left > 20),
)
const seconds = (samples: number) => `${numberText(samples / SAMPLE_RATE, 2)} s`

function down(event: PointerEvent, region: Region, part: Part): void {
  if (event.button !== 0) return
  if (props.locked) return emit('refuse', props.locked)
  event.preventDefault()
  ;(event.currentTarget as HTMLElement).focus({ preventScroll: true })
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  held.value = {
    id: region.id,
    part,
    x: event.clientX,
    y: event.clientY,
    start: region,
    decided: part !== 'level',
  }
  emit('begin')
}

/** Where the region in hand begins, as it is being moved. */
function movedTo(event: PointerEvent): number {
  const { x, start } = held.value!
  return props.snap(props.view.tick(props.view.x(start.start) + event.clientX - x), event.altKey)
}

function move(event: PointerEvent): void {
  if (!held.value) return
  const { id, x, y, start, decided } = held.value
  let { part } = held.value
  if (!decided) {
    const [right, up] = [Math.abs(event.clientX - x), Math.abs(event.clientY - y)]
    if (Math.max(right, up) < SIDEWAYS) return
    // of the bar itself the first way of the hand says what is meant
    if (part === 'level' && right > up) part = 'move'
    held.value = { ...held.value, part, decided: true }
  }
  if (part === 'move') return emit('preview', (mix) => moveRegion(mix, id, movedTo(event)))
  if (part === 'start' || part === 'end') {
    const edge = tickAfter(start.start, part === 'end' ? start.length : 0)
    const tick = props.snap(props.view.tick(props.view.x(edge) + event.clientX - x), event.altKey)
    const { tempo } = props.time
    return emit('preview', (mix) => trimRegion(mix, id, part, tick, tempo, props.frames(start.asset)))
  }
  emit('preview', (mix) => withRegion(mix, id, changed(part, start, event.clientX - x, y - event.clientY)))
}

/** What a part of a region becomes when it is dragged so many px to the right and up. */
function changed(part: 'level' | Fade, region: Region, right: number, up: number): RegionChange {
  if (part === 'level') return { level: Math.round((region.level + up * DB_PER_PX) * 10) / 10 }
  const length = part === 'fadeIn' ? region.fadeIn : region.length - region.fadeOut
  const x = props.view.x(tickAfter(region.start, length)) + right
  const at = props.time.tempo.secondsAt(props.view.tick(x)) - props.time.tempo.secondsAt(region.start)
  const samples = Math.round(at * SAMPLE_RATE)
  return part === 'fadeIn' ? { fadeIn: samples } : { fadeOut: region.length - samples }
}

const NAMES: Readonly<Record<Part, string>> = {
  level: 'Region level',
  move: 'Moved a region',
  start: 'Start of a region',
  end: 'End of a region',
  fadeIn: 'Fade at the region’s start',
  fadeOut: 'Fade at the region’s end',
}
const label = (part: Part, region: Region): ChangeLabel => ({
  label: `${NAMES[part]} on ${props.track}`,
  lanes: [],
  from: region.start,
  to: Math.round(tickAfter(region.start, region.length)),
})

function up(event: PointerEvent): void {
  if (!held.value) return
  const { part, start } = held.value
  const by = part === 'move' ? movedTo(event) - start.start : 0
  held.value = null
  if (by !== 0) return emit('moved', start, by)
  emit('commit', label(part, start))
}

const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }

/** Moves a region, or one of its ends, by keys: to the next place of the grid, finely with Shift. */
function keyInTime(event: KeyboardEvent, region: Region, part: 'move' | 'start' | 'end'): void {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!step) return
  event.preventDefault()
  event.stopPropagation()
  if (props.locked) return emit('refuse', props.locked)
  const { beat } = props.time.meter.lengthsAt(region.start)
  const by = step * (event.shiftKey ? 10 : beat)
  emit('begin')
  if (part === 'move') {
    const to = Math.max(0, region.start + by)
    emit('preview', (mix) => moveRegion(mix, region.id, to))
    return emit('moved', region, to - region.start)
  }
  const tick = tickAfter(region.start, part === 'end' ? region.length : 0) + by
  const { tempo } = props.time
  emit('preview', (mix) => trimRegion(mix, region.id, part, tick, tempo, props.frames(region.asset)))
  emit('commit', label(part, region))
}

function key(event: KeyboardEvent, region: Region, part: 'level' | Fade): void {
  if (part === 'level' && ['ArrowLeft', 'ArrowRight'].includes(event.key))
    return keyInTime(event, region, 'move')
  const step = STEPS[event.key]
  const home = event.key === 'Home' || event.key === 'Backspace'
  if (!step && !home) return
  event.preventDefault()
  event.stopPropagation()
  if (props.locked) return emit('refuse', props.locked)
  const by = (step ?? 0) * (event.shiftKey ? 0.1 : 1)
  const to =
    part === 'level' ? (home ? 0 : region.level + by) : home ? 0 : region[part] + by * 0.1 * SAMPLE_RATE
  emit('begin')
  emit('preview', (mix) => withRegion(mix, region.id, { [part]: to }))
  emit('commit', label(part, region))
}

function toDefault(region: Region, part: 'level' | Fade): void {
  if (props.locked) return emit('refuse', props.locked)
  emit('begin')
  emit('preview', (mix) => withRegion(mix, region.id, { [part]: 0 }))
  emit('commit', label(part, region))
}
</script>

<template>
  <div class="regions">
    <svg class="fades" aria-hidden="true">
      <template v-for="r in shown" :key="r.region.id">
        <path v-if="r.region.fadeIn" :d="`M${r.start} ${view.height}L${r.fadeIn} 18`" />
        <path v-if="r.region.fadeOut" :d="`M${r.fadeOut} 18L${r.end} ${view.height}`" />
      </template>
    </svg>
    <template v-for="(r, i) in shown" :key="r.region.id">
      <div
        class="bar"
        role="slider"
        tabindex="0"
        :aria-label="`Level of region ${i + 1}; arrows to the side move it`"
        aria-valuemin="-90"
        aria-valuemax="6"
        :aria-valuenow="r.region.level"
        :aria-valuetext="unit.format(r.region.level)"
        title="Region: drag it to the side to move it, up and down for its level. A double click returns the level to 0 dB."
        data-test="region"
        :style="{ left: `${r.left}px`, width: `${r.right - r.left}px` }"
        @pointerdown="down($event, r.region, 'level')"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @dblclick="toDefault(r.region, 'level')"
        @keydown="key($event, r.region, 'level')"
      >
        <span v-if="r.region.level !== 0 || held?.id === r.region.id" class="figure">
          region {{ unit.format(r.region.level) }}
        </span>
      </div>
      <div
        v-for="part in ['fadeIn', 'fadeOut'] as const"
        :key="part"
        class="handle"
        :class="part"
        role="slider"
        tabindex="0"
        :aria-label="`${NAMES[part]} ${i + 1}`"
        aria-valuemin="0"
        :aria-valuemax="r.region.length"
        :aria-valuenow="r.region[part]"
        :aria-valuetext="seconds(r.region[part])"
        :title="`${NAMES[part]}: ${seconds(r.region[part])}. Drag it.`"
        :data-test="`region-${part}`"
        :style="{
          left: `${part === 'fadeIn' ? Math.max(r.left, r.fadeIn) : Math.min(r.right, r.fadeOut)}px`,
        }"
        @pointerdown="down($event, r.region, part)"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @dblclick="toDefault(r.region, part)"
        @keydown="key($event, r.region, part)"
      />
      <div
        v-for="edge in ['start', 'end'] as const"
        :key="edge"
        class="edge"
        :class="edge"
        role="slider"
        tabindex="0"
        :aria-label="`${NAMES[edge]} ${i + 1}`"
        aria-valuemin="0"
        :aria-valuemax="Math.round(time.length)"
        :aria-valuenow="
          Math.round(edge === 'start' ? r.region.start : tickAfter(r.region.start, r.region.length))
        "
        :title="`${NAMES[edge]}: drag it`"
        :data-test="`region-${edge}`"
        :style="{ left: `${edge === 'start' ? r.start : r.end}px` }"
        @pointerdown="down($event, r.region, edge)"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @keydown="keyInTime($event, r.region, edge)"
      />
    </template>
  </div>
</template>

<style scoped>
.regions {
  position: absolute;
  inset: 0;
  overflow: hidden;
  pointer-events: none;
  user-select: none;
}

.fades {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}

.fades path {
  stroke: var(--soft);
  stroke-width: 1.5;
  stroke-dasharray: 2 4;
}

.bar {
  position: absolute;
  top: 0;
  height: 14px;
  border-top: 3px solid var(--rule);
  cursor: ns-resize;
  pointer-events: auto;
  touch-action: none;
}

.bar:hover,
.bar:focus-visible {
  border-top-color: var(--soft);
}

.figure {
  position: absolute;
  top: 16px;
  left: 6px;
  border-radius: 5px;
  padding: 0 8px;
  font-size: 12px;
  line-height: 18px;
  background: var(--sheet);
  white-space: nowrap;
}

.handle {
  position: absolute;
  top: 0;
  width: 28px;
  height: 18px;
  cursor: ew-resize;
  pointer-events: auto;
  touch-action: none;
}

.handle::after {
  content: '';
  position: absolute;
  top: 0;
  width: 0;
  height: 0;
  border-top: 14px solid var(--soft);
}

.handle:hover::after,
.handle:focus-visible::after {
  border-top-color: var(--ink);
}

.edge {
  position: absolute;
  top: 20px;
  width: 16px;
  height: 30px;
  cursor: ew-resize;
  pointer-events: auto;
  touch-action: none;
}

.edge.end {
  margin-left: -16px;
}

.edge::after {
  content: '';
  position: absolute;
  inset: 3px auto 3px 2px;
  width: 4px;
  border-radius: 2px;
  background: var(--rule);
}

.edge.end::after {
  inset: 3px 2px 3px auto;
}

.edge:hover::after,
.edge:focus-visible::after {
  background: var(--ink);
}

.fadeIn::after {
  left: 0;
  border-right: 12px solid transparent;
}

.fadeOut {
  margin-left: -28px;
}

.fadeOut::after {
  right: 0;
  border-left: 12px solid transparent;
}
</style>
