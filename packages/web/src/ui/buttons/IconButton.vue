<script setup lang="ts">
/** A button that is a picture alone: its name is said to a screen reader and when somebody rests on it. */
import type { ICONS } from '../theme/icons'

const { label, tip = undefined } = defineProps<{
  icon: keyof typeof ICONS
  /** What it does: a verb and its object. */
  label: string
  /** What is said when somebody rests on it, where that is more than its name. */
  tip?: string | undefined
  /** On the dark desk at the foot of a page. */
  desk?: boolean
}>()
</script>

<template>
  <v-btn
    class="icon-button"
    :class="{ desk }"
    variant="text"
    :icon="`$${icon}`"
    :aria-label="label"
    :data-tip="tip ?? label"
    :ripple="false"
    type="button"
    size="small"
  />
</template>

<style scoped>
.icon-button {
  flex: none;
  width: var(--target);
  height: var(--target);
  min-width: 0;
  border-radius: var(--radius-s);
}

.icon-button[aria-pressed='true'],
.icon-button[aria-checked='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.desk {
  color: var(--on-desk);
}
</style>
