<script setup lang="ts">
/** A ready move as a small picture: what its line looks like. */
import type { ReadyMove } from '@rudlo/core/envelope'
import LinePicture from '../../ui/marks/LinePicture.vue'

defineProps<{ move: ReadyMove }>()

const PICTURES: Readonly<Record<ReadyMove, string>> = {
  'fade in': 'M2 14 22 3',
  'fade out': 'M2 3 22 14',
  lift: 'M2 12H6L8 4H16L18 12H22',
  dip: 'M2 4H6L8 12H16L18 4H22',
  build: 'M2 14C12 14 17 10 22 2',
  throw: 'M2 14H9V3H15V14H22',
  sweep: 'M2 13C9 13 15 3 22 3',
  'to and fro': 'M2 13C7 13 7 3 12 3S17 13 22 13',
}
</script>

<template>
  <LinePicture class="move-picture" :paths="[PICTURES[move]]" />
</template>

<style scoped>
.move-picture {
  margin-right: var(--space-1);
}
</style>
