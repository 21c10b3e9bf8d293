<script setup lang="ts">
/** Lies over a lane while bars are selected: drag to select, a press without a drag takes the bar; arrows go from bar to bar. */
import type { LineSpan } from '@rudlo/core/envelope'
import { spanShort, type MeterMap } from '@rudlo/core/time'
import { computed } from 'vue'
import LaneSurface from '../surface/LaneSurface.vue'
import { barsTool } from '../tools/bars-tool'
import type { Viewport } from './viewport'
import { t } from '../../words/t'

const props = defineProps<{
  view: Viewport
  meter: MeterMap
  /** Where a place ends up that is set by hand. */
  snap: (tick: number, free: boolean) => number
  /** Whether places snap to something that is there, and not to a grid. */
  snapsToThings: boolean
  songLength: number
  selection: LineSpan | null
  /** The bars that Enter takes where none are selected. */
  offered: LineSpan | null
  /** The play position: keys begin there. */
  here: () => number
  name: string
}>()
const emit = defineEmits<{
  select: [span: LineSpan | null]
  /** Somebody goes on to what can be done with the bars. */
  act: []
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  tall: [travel: number, factor: number]
}>()

const tool = barsTool({
  meter: () => props.meter,
  songLength: () => props.songLength,
  snap: (tick, free) => props.snap(tick, free),
  snapsToThings: () => props.snapsToThings,
  ticksOf: (px) => props.view.tick(px) - props.view.tick(0),
  selection: () => props.selection,
  here: () => props.here(),
  select: (span) => emit('select', span),
  offered: () => props.offered,
  act: () => emit('act'),
})

const spoken = computed(() => {
  if (!props.selection) return t('line.bars.none')
  const [first, last] = spanShort(props.selection, props.meter, props.songLength)
  return last === undefined ? t('line.bars.one', { first }) : t('line.bars.many', { first, last })
})
</script>

<template>
  <LaneSurface
    class="bars"
    :view="view"
    :tool="tool"
    kind="bars"
    :label="t('line.bars.label', { name })"
    :said="spoken"
    test="bars-surface"
    @zoom="(tick, factor) => emit('zoom', tick, factor)"
    @scroll="(ticks) => emit('scroll', ticks)"
    @tall="(travel, factor) => emit('tall', travel, factor)"
  />
</template>

<style scoped>
.bars {
  cursor: text;
}
</style>
