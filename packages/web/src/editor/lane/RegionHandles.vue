<script setup lang="ts">
/**
 * The regions of a track along the top of its lane: level by dragging up and down, moved by dragging to the side, fades and
 * ends by the handles.
 */
import type { Mix, Region } from '@rudlo/core/mix'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import { numberText } from '@rudlo/words'
import type { SongTime } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { computed } from 'vue'
import type { ChangeLabel } from '../../document/editing'
import { REGION_PARTS, regionTool, tickAfter } from '../tools/region-tool'
import { FINGER_ROOM, type Viewport } from './viewport'
import { t } from '../../words/t'

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

const { unit } = MIXER_CONTROLS.level
const { held, down, move, up, key, keyInTime, toDefault } = regionTool({
  view: () => props.view,
  time: () => props.time,
  track: () => props.track,
  locked: () => props.locked,
  snap: (tick, free) => props.snap(tick, free),
  frames: (asset) => props.frames(asset),
  begin: () => emit('begin'),
  preview: (make) => emit('preview', make),
  commit: (change) => emit('commit', change),
  refuse: (reason) => emit('refuse', reason),
  moved: (region, by) => emit('moved', region, by),
})

/** px of a region below which a finger finds no room for its ends beside its fades. */
const SHORT = 190

const after = (start: number, samples: number) => tickAfter(props.time, start, samples)
const shown = computed(() =>
  props.regions
    .map((region) => {
      const left = props.view.x(region.start)
      const right = props.view.x(after(region.start, region.length))
      return {
        region,
        left: Math.max(-6, left),
        right: Math.min(props.view.width, right),
        fadeIn: props.view.x(after(region.start, region.fadeIn)),
        fadeOut: props.view.x(after(region.start, region.length - region.fadeOut)),
        start: left,
        end: right,
      }
    })
    .filter((r) => r.right - r.left > 20),
)
const seconds = (samples: number) => `${numberText(samples / SAMPLE_RATE, 2)} s`
</script>

<template>
  <div class="regions" :class="{ low: view.top < FINGER_ROOM.top }">
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
        :aria-label="t('region.level.label', { number: i + 1 })"
        aria-valuemin="-90"
        aria-valuemax="6"
        :aria-valuenow="r.region.level"
        :aria-valuetext="unit.format(r.region.level)"
        :title="t('region.level.tip')"
        data-test="region"
        :style="{ left: `${r.left}px`, width: `${r.right - r.left}px` }"
        @pointerdown="down($event, r.region, 'level')"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @dblclick="toDefault(r.region, 'level')"
        @keydown="key($event, r.region, 'level')"
      >
        <span v-if="r.region.level !== 0 || held === r.region.id" class="figure">
          {{ t('region.level', { value: unit.format(r.region.level) }) }}
        </span>
      </div>
      <div
        v-for="part in ['fadeIn', 'fadeOut'] as const"
        :key="part"
        class="handle"
        :class="part"
        role="slider"
        tabindex="0"
        :aria-label="`${REGION_PARTS[part]} ${i + 1}`"
        aria-valuemin="0"
        :aria-valuemax="r.region.length"
        :aria-valuenow="r.region[part]"
        :aria-valuetext="seconds(r.region[part])"
        :title="t('region.part', { part: REGION_PARTS[part], seconds: seconds(r.region[part]) })"
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
        :class="[edge, { short: r.right - r.left < SHORT }]"
        role="slider"
        tabindex="0"
        :aria-label="`${REGION_PARTS[edge]} ${i + 1}`"
        aria-valuemin="0"
        :aria-valuemax="Math.round(time.length)"
        :aria-valuenow="
          Math.round(edge === 'start' ? r.region.start : after(r.region.start, r.region.length))
        "
        :title="t('region.edge', { part: REGION_PARTS[edge] })"
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

<style scoped src="./region-handles-finger.css"></style>
