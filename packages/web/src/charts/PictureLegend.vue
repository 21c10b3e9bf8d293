<script setup lang="ts">
/** Which colour and which stroke is whose, beside a picture. */
import type { LegendEntry } from './picture'

defineProps<{ entries: readonly LegendEntry[] }>()
</script>

<template>
  <ul class="legend">
    <li v-for="e in entries" :key="e.name">
      <i :class="e.stroke" :style="{ '--colour': e.colour }" />{{ e.name }}
    </li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-4);
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: var(--text-1);
}

li {
  display: flex;
  gap: var(--space-1);
  align-items: center;
}

i {
  flex: none;
  width: 18px;
  height: 0;
  border-top: 3px solid var(--colour);
}

.dashed {
  border-top-style: dashed;
}

.dotted {
  border-top-style: dotted;
}

.area {
  width: 12px;
  height: 12px;
  border: 0;
  border-radius: 3px;
  background: var(--colour);
}
</style>
