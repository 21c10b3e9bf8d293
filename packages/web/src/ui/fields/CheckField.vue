<script setup lang="ts">
/** Something that is so or not, with its label beside it. */
defineProps<{
  label: string
  hint?: string | undefined
  disabled?: boolean
  /** Its label stands elsewhere: only a screen reader is told. */
  bare?: boolean
}>()
const on = defineModel<boolean>({ required: true })
</script>

<template>
  <v-checkbox
    v-model="on"
    class="check-field"
    :label="bare ? undefined : label"
    :aria-label="bare ? label : undefined"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :disabled="disabled"
    density="compact"
    hide-details="auto"
    :ripple="false"
  />
</template>

<style scoped>
.check-field :deep(.v-label) {
  color: var(--ink);
  opacity: 1;
  font-size: var(--text-2);
}
</style>
