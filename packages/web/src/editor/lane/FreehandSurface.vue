<script setup lang="ts">
/** Lies over a lane while a line is drawn freely, by hand or with a pen that keys move. */
import type { Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import { computed, onBeforeUnmount } from 'vue'
import LaneSurface from '../surface/LaneSurface.vue'
import { penTool } from '../tools/pen-tool'
import type { Viewport } from './viewport'
import { t } from '../../words/t'

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
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  tall: [travel: number, factor: number]
}>()

const tool = penTool({
  control: () => props.control,
  points: () => props.points,
  songLength: () => props.songLength,
  here: () => props.here(),
  step: (tick) => props.step(tick),
  begin: () => emit('begin'),
  preview: (points) => emit('preview', points),
  commit: (from, to, count) => emit('commit', from, to, count),
  cancel: () => emit('cancel'),
})

/** Where the pen is that keys have put down. */
const pen = computed(() => {
  const now = tool.state.value
  return now.kind === 'down' && now.by === 'keys' ? now.stroke.at(-1)! : null
})
const spoken = computed(() =>
  pen.value
    ? t('line.pen.down', {
        value: props.control.unit.format(pen.value.value),
        place: placeInWords(props.meter, pen.value.tick),
      })
    : t('line.pen.up'),
)

// another way of working was chosen while the pen was down
onBeforeUnmount(tool.lost)
</script>

<template>
  <LaneSurface
    :view="view"
    :tool="tool"
    kind="pen"
    :label="t('line.pen.label', { name })"
    :said="spoken"
    test="freehand-surface"
    @blur="pen && tool.lost()"
    @zoom="(tick, factor) => emit('zoom', tick, factor)"
    @scroll="(ticks) => emit('scroll', ticks)"
    @tall="(travel, factor) => emit('tall', travel, factor)"
  >
    <span
      v-if="pen"
      class="pen"
      :style="{ left: `${view.x(pen.tick)}px`, top: `${view.y(control.scale.toTravel(pen.value))}px` }"
    />
  </LaneSurface>
</template>

<style scoped>
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
