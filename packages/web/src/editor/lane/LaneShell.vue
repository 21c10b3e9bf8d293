<script setup lang="ts">
/**
 * What every lane has: its picture with the sound behind it, the play position, how close it is looked at; a head beside it where
 * one is given, and over it whatever works on it.
 */
import { shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import type { LookListeners } from '../surface/lane-pointer'
import LaneCanvas from './LaneCanvas.vue'
import type { LaneProps } from './lane-props'
import { useOverviews } from './use-overviews'
import { ALL_VALUES, zoomValues, type Values, type Viewport } from './viewport'

const props = defineProps<LaneProps>()
const emit = defineEmits<{
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  pin: [id: string]
  size: [view: Viewport]
}>()
defineSlots<{
  /** `tall`: whether values are looked at closely; `allValues` ends that. */
  head?(slot: { tall: boolean; allValues: () => void }): unknown
  /** What lies over the picture; `look` is to be bound to what hands work on. */
  default?(slot: { view: Viewport; look: LookListeners }): unknown
}>()

const player = usePlayer()
const overviews = useOverviews(() => props.song)
const view = shallowRef<Viewport | null>(null)
const values = shallowRef<Values>(ALL_VALUES)
watch(
  () => props.address,
  () => (values.value = ALL_VALUES),
)

const look: LookListeners = {
  onZoom: (tick: number, factor: number) => emit('zoom', tick, factor),
  onScroll: (ticks: number) => emit('scroll', ticks),
  onTall: (travel: number, factor: number) => (values.value = zoomValues(values.value, travel, factor)),
}

function sized(now: Viewport): void {
  view.value = now
  emit('size', now)
}
</script>

<template>
  <section class="lane-shell">
    <slot name="head" :tall="values !== ALL_VALUES" :all-values="() => (values = ALL_VALUES)" />
    <LaneCanvas
      v-bind="props"
      class="picture"
      :values="values"
      :overviews="overviews"
      :heard="player.heardTime"
      :position="() => player.position"
      @size="sized"
      @pin="(id) => emit('pin', id)"
    >
      <slot v-if="view" :view="view" :look="look" />
    </LaneCanvas>
  </section>
</template>

<style scoped>
.lane-shell {
  display: grid;
  min-width: 0;
  min-height: 0;
  /* the corners of a sheet stay round */
  overflow: hidden;
}

.picture {
  height: 100%;
}
</style>
