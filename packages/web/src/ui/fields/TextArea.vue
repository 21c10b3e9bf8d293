<script setup lang="ts">
/** Several lines of text: it grows with what is typed. */
const { rows = 3, compact = false } = defineProps<{
  label: string
  fault?: string | null | undefined
  hint?: string | undefined
  rows?: number
  compact?: boolean
}>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <v-textarea
    v-model="text"
    :label="label"
    :rows="rows"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :density="compact ? 'compact' : 'comfortable'"
    auto-grow
    max-rows="14"
  />
</template>
