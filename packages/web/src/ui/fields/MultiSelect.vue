<script setup lang="ts" generic="T extends string">
/** Several of several from a list that opens; how many are chosen stands in the field. */
defineProps<{
  label: string
  choices: readonly { readonly value: T; readonly text: string }[]
  /** What is chosen, in words. */
  said: string
  /** What stands there while nothing is chosen. */
  none?: string | undefined
}>()
const chosen = defineModel<readonly T[]>({ required: true })
</script>

<template>
  <v-select
    :model-value="[...chosen]"
    :items="choices"
    item-title="text"
    item-value="value"
    multiple
    :label="label"
    :placeholder="none"
    density="compact"
    hide-details="auto"
    @update:model-value="(values: readonly T[]) => (chosen = [...values])"
  >
    <template #selection="{ index }"><span v-if="index === 0">{{ said }}</span></template>
  </v-select>
</template>
