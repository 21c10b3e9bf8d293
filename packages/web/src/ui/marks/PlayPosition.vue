<script setup lang="ts">
/**
 * The play position in a picture of the song. It moves by itself, and by whole pixels of the screen: a song of a minute and a half
 * goes ten pixels a second, and a frame in which nothing moves costs nothing.
 */
import { computed } from 'vue'

const {
  x,
  from = 0,
  to,
} = defineProps<{
  /** Where it is, in px from the left. */
  x: () => number
  /** The stretch in which it is seen, in px. */
  from?: number
  to: number
}>()

const shown = computed(() => {
  const dots = devicePixelRatio || 1
  return Math.round(x() * dots) / dots
})
const inView = computed(() => shown.value >= from - 1 && shown.value <= to + 1)
</script>

<template>
  <div v-show="inView" class="play-position" :style="{ transform: `translateX(${shown}px)` }" />
</template>

<style scoped>
.play-position {
  position: absolute;
  top: 0;
  bottom: 0;
  left: -1px;
  width: 2px;
  background: var(--warm);
  /* nothing else is painted anew as it moves */
  will-change: transform;
  pointer-events: none;
}
</style>
