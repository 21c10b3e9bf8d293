<script setup lang="ts" generic="T extends string">
/** Several of several: each a box with its name. */
const props = defineProps<{
  /** What is chosen: said over them. */
  label: string
  choices: readonly { readonly value: T; readonly text: string }[]
}>()
const chosen = defineModel<readonly T[]>({ required: true })

const toggle = (value: T, on: boolean | null) =>
  (chosen.value = props.choices
    .map((c) => c.value)
    .filter((v) => (v === value ? on : chosen.value.includes(v))))
</script>

<template>
  <fieldset class="check-boxes">
    <legend>{{ label }}</legend>
    <v-checkbox
      v-for="c in choices"
      :key="c.value"
      :model-value="chosen.includes(c.value)"
      :label="c.text"
      density="compact"
      hide-details
      :ripple="false"
      @update:model-value="(on: boolean | null) => toggle(c.value, on)"
    />
  </fieldset>
</template>

<style scoped>
.check-boxes {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0;
  color: var(--soft);
  font-size: var(--text-1);
}

.check-boxes :deep(.v-label) {
  color: var(--ink);
  opacity: 1;
  font-size: var(--text-2);
}
</style>
