<script setup lang="ts">
/** A ready move as a small picture: what its line looks like. */
import type { ReadyMove } from '@rudlo/core/envelope'

defineProps<{ move: ReadyMove }>()

/** Each in a box of 28 by 16. */
const PICTURES: Readonly<Record<ReadyMove, string>> = {
  'fade in': 'M2 14 26 3',
  'fade out': 'M2 3 26 14',
  lift: 'M2 12H8L10 4H19L21 12H26',
  dip: 'M2 4H8L10 12H19L21 4H26',
  build: 'M2 14C14 14 20 10 26 2',
  throw: 'M2 14H11V3H17V14H26',
  sweep: 'M2 13C10 13 18 3 26 3',
  'to and fro': 'M2 13C8 13 8 3 14 3S20 13 26 13',
}
</script>

<template>
  <svg class="move-picture" viewBox="0 0 28 16" aria-hidden="true"><path :d="PICTURES[move]" /></svg>
</template>

<style scoped>
.move-picture {
  flex: none;
  width: 28px;
  height: 16px;
  margin-right: var(--space-1);
}

path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2;
  stroke-linejoin: round;
}
</style>
