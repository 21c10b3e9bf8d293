<script setup lang="ts">
/** How far a new point reaches, as a small picture: the line as it was, and what becomes of it. */
defineProps<{ spread: 'near' | 'on' | 'beside' }>()

/** Each in a box of 24 by 16, the new point at its place. */
const PICTURES = {
  near: 'M2 12H9L12 4 15 12H22',
  on: 'M2 12H9L12 4H22',
  beside: 'M2 12 12 4 22 12',
} as const
</script>

<template>
  <svg class="spread-picture" viewBox="0 0 24 16" aria-hidden="true">
    <path :d="PICTURES[spread]" />
    <circle cx="12" cy="4" r="2.4" />
  </svg>
</template>

<style scoped>
.spread-picture {
  flex: none;
  width: 24px;
  height: 16px;
}

path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
}

circle {
  fill: currentColor;
}
</style>
