<script setup lang="ts">
/** The face of a lane that hands and keys work on, with whatever tool lies over it. */
import { ref } from 'vue'
import type { Viewport } from '../lane/viewport'
import type { LaneTool } from './lane-pointer'
import { useLanePointer } from './use-lane-pointer'

const props = defineProps<{
  view: Viewport
  tool: LaneTool
  /** What it is called, with what can be done here by keys. */
  label: string
  /** What kind of thing is worked on, where keys work too; without it the face is a picture. */
  kind?: string
  /** What is told of it, for who cannot see it. */
  said?: string
  /** Name for tests. */
  test: string
}>()

const emit = defineEmits<{
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  tall: [travel: number, factor: number]
}>()

const face = ref<HTMLElement>()
const listeners = useLanePointer(
  face,
  () => props.view,
  () => props.tool,
  {
    zoom: (tick, factor) => emit('zoom', tick, factor),
    scroll: (ticks) => emit('scroll', ticks),
    tall: (travel, factor) => emit('tall', travel, factor),
  },
)
</script>

<template>
  <div
    ref="face"
    class="face"
    :tabindex="kind ? 0 : undefined"
    :role="kind ? 'application' : 'img'"
    :aria-roledescription="kind"
    :aria-label="label"
    :data-test="test"
    v-on="listeners"
  >
    <slot />
    <p v-if="said !== undefined" class="unseen" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
.face {
  position: absolute;
  inset: 0;
  contain: strict;
  cursor: crosshair;
  touch-action: none;
  user-select: none;
}

.face:focus-visible {
  outline-offset: -3px;
}
</style>
