<script setup lang="ts">
/** The way from a point to the next as a small picture: the two points, and the line between them. */
import LinePicture from '../../ui/marks/LinePicture.vue'
import type { FormKey } from './forms'

defineProps<{ form: FormKey }>()

const PICTURES: Readonly<Record<FormKey, string>> = {
  straight: 'M3 13 21 3',
  early: 'M3 13C5 5 10 3 21 3',
  late: 'M3 13C14 13 19 11 21 3',
  soft: 'M3 13C12 13 12 3 21 3',
  jump: 'M3 13H21V3',
}
const ENDS = [
  [3, 13],
  [21, 3],
] as const
</script>

<template>
  <LinePicture :paths="[PICTURES[form]]" :dots="ENDS" />
</template>
