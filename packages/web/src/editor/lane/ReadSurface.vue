<script setup lang="ts">
/** Over a lane that is only read: dragging chooses whole bars, a click goes there. */
import type { SongTime } from '@rudlo/core/song'
import { usePlayer } from '../../engine/player-store'
import { barsAround } from '../strip/strip-geometry'
import LaneSurface from '../surface/LaneSurface.vue'
import { placeTool } from '../tools/place-tool'
import type { Span, Viewport } from './viewport'
import { t } from '../../words/t'

const props = defineProps<{
  view: Viewport
  time: SongTime
  name: string
  /** How many points its line has. */
  points: number
}>()
const emit = defineEmits<{
  bars: [bars: Span]
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  tall: [travel: number, factor: number]
}>()

const player = usePlayer()
const tool = placeTool({
  stretch: (from, to) => emit('bars', barsAround(props.time, from, to)),
  go: (tick) => player.seek(tick),
})
</script>

<template>
  <LaneSurface
    class="read"
    :view="view"
    :tool="tool"
    :label="t('line.label', { name, n: points })"
    test="span-picker"
    @zoom="(tick, factor) => emit('zoom', tick, factor)"
    @scroll="(ticks) => emit('scroll', ticks)"
    @tall="(travel, factor) => emit('tall', travel, factor)"
  />
</template>

<style scoped>
.read {
  cursor: text;
}
</style>
