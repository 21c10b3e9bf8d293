<script setup lang="ts">
/** How far a new point reaches, as a small picture: the line as it was, and what becomes of it. */
import LinePicture from '../../ui/marks/LinePicture.vue'

defineProps<{ spread: 'near' | 'on' | 'beside' }>()

const PICTURES = {
  near: 'M2 12H9L12 4 15 12H22',
  on: 'M2 12H9L12 4H22',
  beside: 'M2 12 12 4 22 12',
} as const
const POINT = [[12, 4]] as const
</script>

<template>
  <LinePicture :paths="[PICTURES[spread]]" :dots="POINT" />
</template>
