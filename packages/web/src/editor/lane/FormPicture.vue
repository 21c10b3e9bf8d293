<script setup lang="ts">
/** The way from a point to the next as a small picture: the two points, and the line between them. */
import type { FormKey } from './forms'

defineProps<{ form: FormKey }>()

/** Each in a box of 24 by 16. */
const PICTURES: Readonly<Record<FormKey, string>> = {
  straight: 'M3 13 21 3',
  early: 'M3 13C5 5 10 3 21 3',
  late: 'M3 13C14 13 19 11 21 3',
  soft: 'M3 13C12 13 12 3 21 3',
  jump: 'M3 13H21V3',
}
</script>

<template>
  <svg class="form-picture" viewBox="0 0 24 16" aria-hidden="true">
    <path :d="PICTURES[form]" />
    <circle cx="3" cy="13" r="2.2" />
    <circle cx="21" cy="3" r="2.2" />
  </svg>
</template>

<style scoped>
.form-picture {
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
