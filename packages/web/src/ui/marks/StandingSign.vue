<script setup lang="ts">
/** How far somebody is, as a note head: empty, begun, waiting, back, done. Its form says the same as its colour. */
import type { Sign } from './sign'

defineProps<{ sign: Sign }>()
</script>

<template>
  <svg class="standing-sign" :class="sign" viewBox="0 0 20 16" aria-hidden="true">
    <ellipse cx="10" cy="8" rx="7.4" ry="5.2" transform="rotate(-20 10 8)" />
    <path v-if="sign === 'going'" d="M10 2.8A7.4 5.2 0 0 0 10 13.2Z" transform="rotate(-20 10 8)" />
    <path v-else-if="sign === 'done'" class="line" d="M6.4 8.2 9 10.8 13.8 5.4" />
    <path v-else-if="sign === 'held'" class="line" d="M8 5.2V10.8M12 5.2V10.8" />
    <path v-else-if="sign === 'missing'" class="line" d="M7.4 5.4 12.6 10.6M12.6 5.4 7.4 10.6" />
    <path v-else-if="sign === 'excused'" class="dash" d="M4.5 8H15.5" />
    <path v-else-if="sign === 'back'" class="line" d="M13.6 8H6.6M9.2 5.2 6.4 8 9.2 10.8" />
  </svg>
</template>

<style scoped>
.standing-sign {
  flex: none;
  width: 20px;
  height: 16px;
}

ellipse {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1.8;
}

path {
  fill: var(--family-volume);
}

.line {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.going ellipse {
  stroke: var(--family-volume);
}

.held ellipse,
.waiting ellipse {
  fill: var(--close);
  stroke: var(--close);
}

.missing ellipse {
  fill: var(--ink);
  stroke: var(--ink);
}

.excused ellipse {
  stroke-dasharray: 2 2.4;
}

.dash {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1.8;
}

.back ellipse {
  fill: var(--warm);
  stroke: var(--warm);
}

.done ellipse {
  fill: var(--good);
  stroke: var(--good);
}
</style>
