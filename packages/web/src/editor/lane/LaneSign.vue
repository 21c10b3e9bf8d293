<script setup lang="ts">
/** The sign of a lane: a head in its colour, as its points have it. */
import type { Family } from '@rudlo/core/scale'
import { computed } from 'vue'
import { headCorners, type Kin } from './lane-sign'

const props = defineProps<{
  family: Family
  /** Which lane of its family on the desk it is. */
  kin?: Kin | undefined
}>()

const colour = computed(() =>
  props.kin ? `var(--kin-${props.family}-${props.kin})` : `var(--family-${props.family})`,
)
</script>

<template>
  <svg class="sign" viewBox="0 0 16 14" width="16" height="14" :fill="colour" aria-hidden="true">
    <polygon v-if="kin" :points="headCorners(kin, 8, 7, 6, 4.6)" />
    <ellipse v-else cx="8" cy="7" rx="7.4" ry="5" transform="rotate(-20 8 7)" />
  </svg>
</template>

<style scoped>
.sign {
  flex: none;
}
</style>
