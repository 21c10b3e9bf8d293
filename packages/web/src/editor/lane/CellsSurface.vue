<script setup lang="ts">
/** Lies over a lane while it is drawn cell by cell: every cell of the grid takes one value. */
import { valueAt, type Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import { computed } from 'vue'
import LaneSurface from '../surface/LaneSurface.vue'
import { cellsTool, type Cell } from '../tools/cells-tool'
import type { Viewport } from './viewport'
import { t } from '../../words/t'

const props = defineProps<{
  view: Viewport
  control: Control
  /** The line as it is, already begun. */
  points: Points
  songLength: number
  /** Start and end of the cell that a tick lies in. */
  cell: (tick: number) => Cell
  meter: MeterMap
  /** The play position: keys begin there. */
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

const tool = cellsTool({
  control: () => props.control,
  points: () => props.points,
  songLength: () => props.songLength,
  here: () => props.here(),
  cell: (tick) => props.cell(tick),
  begin: () => emit('begin'),
  preview: (points) => emit('preview', points),
  commit: (from, to, count) => emit('commit', from, to, count),
  cancel: () => emit('cancel'),
})
const { at } = tool
const isSwitch = computed(() => props.control.scale.kind === 'switch')

const spoken = computed(() => {
  if (!at.value) return ''
  const [tick] = at.value
  const value = valueAt(props.points, props.control.scale, tick)
  return `${placeInWords(props.meter, tick)}: ${props.control.unit.format(value)}`
})
</script>

<template>
  <LaneSurface
    class="cells"
    :view="view"
    :tool="tool"
    kind="cells"
    :label="t(isSwitch ? 'line.cells.label.switch' : 'line.cells.label', { name })"
    :said="spoken"
    test="cells-surface"
    @zoom="(tick, factor) => emit('zoom', tick, factor)"
    @scroll="(ticks) => emit('scroll', ticks)"
    @tall="(travel, factor) => emit('tall', travel, factor)"
  >
    <div
      v-if="at"
      class="cell"
      :style="{ left: `${view.x(at[0])}px`, width: `${view.x(at[1]) - view.x(at[0])}px` }"
    />
  </LaneSurface>
</template>

<style scoped>
.cells {
  cursor: cell;
}

.cell {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--ink) 8%, transparent);
  pointer-events: none;
}
</style>
