<script setup lang="ts" generic="T extends string | number | null">
/** One of several from a list that opens. Typing the first letters goes there. */
const { compact = true } = defineProps<{
  label: string
  choices: readonly { readonly value: T; readonly text: string; readonly note?: string | undefined }[]
  fault?: string | null | undefined
  hint?: string | undefined
  compact?: boolean
  /** Its label stands elsewhere, or it lies in a row of small things: only a screen reader is told. */
  bare?: boolean
  disabled?: boolean
}>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
  <v-select
    v-model="chosen"
    class="select-field"
    :class="{ bare }"
    :label="bare ? undefined : label"
    :aria-label="bare ? label : undefined"
    :items="choices"
    item-title="text"
    item-value="value"
    :item-props="(c) => (c.note ? { subtitle: c.note } : {})"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :density="compact || bare ? 'compact' : 'comfortable'"
    :disabled="disabled"
    hide-details="auto"
  />
</template>

<style scoped src="./bare.css"></style>
