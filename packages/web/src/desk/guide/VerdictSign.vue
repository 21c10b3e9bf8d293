<script setup lang="ts">
/** Met, close, or not yet: by form first, then by colour. */
import type { Verdict } from '@rudlo/core/evidence'
import { t } from '../../words/t'

defineProps<{ verdict: Verdict | null }>()
</script>

<template>
  <svg
    v-if="verdict"
    class="sign"
    :class="verdict.replace(' ', '-')"
    viewBox="0 0 20 20"
    role="img"
    :aria-label="t(`verdict.${verdict}`)"
  >
    <circle cx="10" cy="10" r="8.2" />
    <path v-if="verdict === 'met'" d="M5.8 10.4L8.8 13.4L14.4 7" />
    <path v-else-if="verdict === 'close'" d="M5.6 11C7.4 8.6 8.8 8.6 10 10C11.2 11.4 12.6 11.4 14.4 9" />
  </svg>
</template>

<style scoped>
.sign {
  flex: none;
  width: 20px;
  height: 20px;
}

circle {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1.6;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.met circle {
  fill: var(--ink);
  stroke: var(--ink);
}

.met path {
  stroke: var(--sheet);
}

.not-yet circle {
  stroke-dasharray: 3 3;
}
</style>
