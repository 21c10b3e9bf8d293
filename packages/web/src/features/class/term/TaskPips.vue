<script setup lang="ts">
/** Tasks as small notes: full for met, half for close, empty for not yet. Said by whatever they stand in. */
import type { Verdict } from '@rudlo/core/evidence'

defineProps<{ tasks: readonly (Verdict | null)[] }>()

/** Units for one. */
const STEP = 12
</script>

<template>
  <svg
    class="pips"
    :viewBox="`0 0 ${tasks.length * STEP} 12`"
    :width="tasks.length * STEP"
    height="12"
    aria-hidden="true"
  >
    <g v-for="(v, i) in tasks" :key="i" :class="v?.replace(' ', '-') ?? 'none'">
      <circle :cx="i * STEP + 6" cy="6" r="4.2" />
      <path v-if="v === 'close'" :d="`M${i * STEP + 6} 1.8a4.2 4.2 0 0 0 0 8.4Z`" />
    </g>
  </svg>
</template>

<style scoped>
.pips {
  flex: none;
}

circle {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1.6;
}

.met circle {
  fill: var(--good);
  stroke: var(--good);
}

.close circle {
  stroke: var(--close);
}

.close path {
  fill: var(--close);
}

.not-yet circle {
  stroke: var(--warm);
}

.none circle {
  stroke-dasharray: 2 2;
}
</style>
