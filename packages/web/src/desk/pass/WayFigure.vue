<script setup lang="ts">
/** A way of writing as a small moving figure: the old line, the hand, and what comes of it. */
import type { Way } from '@rudlo/core/pass'
import { WAY_WORDS } from './pass-words'

defineProps<{ way: Way }>()
</script>

<template>
  <svg viewBox="0 0 90 36" aria-hidden="true">
    <path class="old" :d="WAY_WORDS[way].old" />
    <path v-if="WAY_WORDS[way].hand" class="hand" :d="WAY_WORDS[way].hand" />
    <path class="result" pathLength="100" :d="WAY_WORDS[way].result" />
    <line class="now" y1="1" y2="35" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  width: 90px;
  height: 36px;
}

path,
line {
  fill: none;
  stroke-width: 2;
}

.old {
  stroke: var(--soft);
  stroke-dasharray: 2 3;
  stroke-width: 1.5;
}

.hand {
  stroke: var(--warm);
  stroke-width: 5;
  stroke-linecap: round;
  opacity: 0.5;
}

.result {
  stroke: var(--family-volume);
  stroke-dasharray: 100;
  animation: draw 4s linear infinite;
}

.now {
  stroke: var(--warm);
  stroke-width: 1;
  animation: pass 4s linear infinite;
}

@keyframes draw {
  from {
    stroke-dashoffset: 100;
  }

  85%,
  to {
    stroke-dashoffset: 0;
  }
}

@keyframes pass {
  from {
    transform: translateX(2px);
  }

  85%,
  to {
    transform: translateX(88px);
  }
}

@media (prefers-reduced-motion: reduce) {
  .result {
    animation: none;
    stroke-dasharray: none;
  }

  .now {
    display: none;
  }
}
</style>
