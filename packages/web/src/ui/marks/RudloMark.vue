<script setup lang="ts">
defineProps<{ size?: number }>()
</script>

<template>
  <span class="mark" :style="{ fontSize: `${size ?? 23}px` }">
    <svg viewBox="0 0 36 24" aria-hidden="true">
      <path d="M9 17C17 15 16 5 32 4" />
      <ellipse cx="8" cy="17" rx="6" ry="4.4" transform="rotate(-20 8 17)" />
    </svg>
    Rudlo
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 0.35em;
  font-weight: 760;
  letter-spacing: -0.02em;
}

svg {
  height: 0.95em;
  overflow: visible;
}

path {
  fill: none;
  stroke: currentColor;
  stroke-width: 3;
  stroke-linecap: round;
}

ellipse {
  fill: currentColor;
}
</style>
