<script setup lang="ts">
/**
 * A button, or a link that looks like one. What it says is a verb and its object; `main` is the one thing that most people come
 * for. With `aria-pressed` or `aria-checked` it shows that it is on.
 */
import { computed } from 'vue'
import type { ICONS } from '../theme/icons'

type Tone = 'main' | 'plain' | 'quiet' | 'danger' | 'desk'

const props = defineProps<{
  tone?: Tone
  /** For what stands beside work: on the desk, in a row of a table. */
  small?: boolean
  large?: boolean
  icon?: keyof typeof ICONS
  /** What is said when somebody rests on it, where that is more than what it says itself. */
  tip?: string | undefined
  /** Something is on its way: it cannot be pressed twice. */
  busy?: boolean
}>()

const VARIANTS = {
  main: { variant: 'flat', color: 'primary' },
  plain: { variant: 'outlined' },
  quiet: { variant: 'text' },
  danger: { variant: 'outlined', color: 'error' },
  desk: { variant: 'text' },
} as const
const looks = computed(() => VARIANTS[props.tone ?? 'plain'])
</script>

<template>
  <v-btn
    v-bind="looks"
    class="button"
    :class="[tone ?? 'plain', { small, large }]"
    :loading="busy"
    :prepend-icon="icon ? `$${icon}` : undefined"
    :data-tip="tip"
    :ripple="false"
    type="button"
  >
    <slot />
  </v-btn>
</template>

<style scoped>
.button {
  min-width: 0;
  height: auto;
  min-height: max(40px, var(--target));
  padding: 4px var(--space-4);
  border-radius: var(--radius-s);
  font-size: var(--text-2);
  font-weight: 600;
  white-space: normal;
}

.button :deep(.v-btn__content) {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: normal;
}

.large {
  min-height: 48px;
  font-size: var(--text-3);
}

.small {
  min-height: var(--target);
  padding: 2px var(--space-3);
  border-radius: var(--radius-l);
  font-size: var(--text-1);
}

.small :deep(.v-btn__content) {
  white-space: nowrap;
}

.quiet {
  padding-inline: var(--space-3);
}

.plain {
  border-color: var(--rule);
  background: var(--sheet);
}

.plain:hover {
  border-color: var(--soft);
}

.button[aria-pressed='true'],
.button[aria-checked='true'] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--sheet);
}

.desk {
  border: 1px solid color-mix(in srgb, var(--on-desk) 40%, transparent);
  color: var(--on-desk);
}

.desk[aria-pressed='true'],
.desk[aria-checked='true'] {
  border-color: var(--warm);
  background: var(--warm);
  color: var(--sheet);
}

@media (pointer: coarse) {
  .button {
    min-width: var(--target);
  }
}

@media (forced-colors: active) {
  .button[aria-pressed='true'],
  .button[aria-checked='true'] {
    forced-color-adjust: none;
    background: Highlight;
    color: HighlightText;
  }
}
</style>
