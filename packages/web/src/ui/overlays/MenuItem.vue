<script setup lang="ts">
/** One thing to do in a menu. */
import type { ICONS } from '../theme/icons'

const { disabled = false } = defineProps<{
  icon?: keyof typeof ICONS | undefined
  disabled?: boolean
  /** What is said when somebody rests on it. */
  tip?: string | undefined
}>()
const emit = defineEmits<{ click: [] }>()
</script>

<template>
  <v-list-item
    class="menu-item"
    role="menuitem"
    :prepend-icon="icon ? `$${icon}` : undefined"
    :disabled="disabled"
    :aria-disabled="disabled"
    :data-tip="tip"
    :ripple="false"
    link
    @click="emit('click')"
  >
    <v-list-item-title><slot /></v-list-item-title>
    <template v-if="$slots['end']" #append><slot name="end" /></template>
  </v-list-item>
</template>

<style scoped>
.menu-item {
  min-height: var(--target);
  padding-inline: var(--space-3);
  border-radius: var(--radius-s);
  font-size: var(--text-2);
}

.menu-item :deep(.v-list-item-title) {
  font-size: inherit;
  white-space: normal;
}

.menu-item:hover,
.menu-item:focus-visible {
  background: var(--wash);
}
</style>
