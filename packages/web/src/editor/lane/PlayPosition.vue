<script setup lang="ts">
/** The play position in a lane. It moves with every frame, and by itself. */
import { computed } from 'vue'
import type { Viewport } from './viewport'

const props = defineProps<{
  view: Viewport
  /** Where it is, in ticks. */
  at: () => number
}>()

const x = computed(() => props.view.x(props.at()))
const inView = computed(() => x.value >= -1 && x.value <= props.view.width + 1)
</script>

<template>
  <div v-show="inView" class="play-position" :style="{ transform: `translateX(${x}px)` }" />
</template>

<style scoped>
.play-position {
  position: absolute;
  top: 0;
  bottom: 0;
  left: -1px;
  width: 2px;
  background: var(--warm);
  /* it moves with every frame: nothing else is painted anew for it */
  will-change: transform;
  pointer-events: none;
}
</style>
