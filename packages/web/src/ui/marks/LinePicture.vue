<script setup lang="ts">
/** A line as a small picture beside its name, with its points where they matter. */
defineProps<{
  /** Paths in a box of 24 by 16; of several, the second is dashed. */
  paths: readonly string[]
  dots?: readonly (readonly [x: number, y: number])[]
}>()
</script>

<template>
  <svg class="line-picture" viewBox="0 0 24 16" aria-hidden="true">
    <path v-for="d in paths" :key="d" :d="d" />
    <circle v-for="[x, y] in dots" :key="x" :cx="x" :cy="y" r="2.2" />
  </svg>
</template>

<style scoped>
.line-picture {
  flex: none;
  width: 24px;
  height: 16px;
}

path {
  fill: none;
  stroke: currentColor;
  stroke-linejoin: round;
  stroke-width: 1.8;
}

path + path {
  stroke-dasharray: 3 2;
}

circle {
  fill: currentColor;
}
</style>
