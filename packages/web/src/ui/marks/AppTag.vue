<script setup lang="ts">
/** A word about a thing, beside it: how far it is, what it belongs to. Its form says the same as its colour. */
import type { ICONS } from '../theme/icons'

defineProps<{
  text: string
  icon?: keyof typeof ICONS
  tone?: 'plain' | 'good' | 'close' | 'warm'
}>()
</script>

<template>
  <v-chip
    class="app-tag"
    :class="tone ?? 'plain'"
    size="small"
    variant="tonal"
    :prepend-icon="icon ? `$${icon}` : undefined"
    >{{ text }}</v-chip
  >
</template>

<style scoped>
.app-tag {
  font-size: var(--text-1);
  font-weight: 600;
}

.plain {
  color: var(--ink);
}

.good {
  color: var(--good);
}

.close {
  color: var(--close);
}

.warm {
  color: var(--warm);
}
</style>
