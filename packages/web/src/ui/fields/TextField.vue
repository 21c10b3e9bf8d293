<script setup lang="ts">
/** One line of text: its label stands over it, what is wrong with it under it. */
const { compact = false } = defineProps<{
  label: string
  /** What is wrong, in words; nothing where it is right. */
  fault?: string | null | undefined
  /** What it is for, under it. */
  hint?: string | undefined
  /** Beside work, on the desk. */
  compact?: boolean
  /** Its label stands elsewhere, or it lies in a row of small things: only a screen reader is told. */
  bare?: boolean
}>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <v-text-field
    v-model="text"
    :class="{ bare }"
    :label="bare ? undefined : label"
    :aria-label="bare ? label : undefined"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :density="compact || bare ? 'compact' : 'comfortable'"
  >
    <template v-if="$slots['end']" #append-inner><slot name="end" /></template>
  </v-text-field>
</template>

<style scoped src="./bare.css"></style>
