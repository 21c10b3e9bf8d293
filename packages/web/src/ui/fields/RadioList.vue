<script setup lang="ts" generic="T extends string | number">
/** One of several, each with a word about it: a radio group. */
defineProps<{
  label: string
  choices: readonly {
    readonly value: T
    readonly text: string
    readonly about?: string
    readonly test?: string
  }[]
  /** Side by side, as far as there is room. */
  inline?: boolean
}>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
  <v-radio-group v-model="chosen" :aria-label="label" :inline="inline" density="compact" hide-details>
    <v-radio v-for="c in choices" :key="c.value" :value="c.value" :data-test="c.test" :ripple="false">
      <template #label>
        <slot name="mark" :choice="c" />
        <span class="text">{{ c.text }}<small v-if="c.about" class="soft">{{ c.about }}</small></span>
      </template>
    </v-radio>
  </v-radio-group>
</template>

<style scoped>
:deep(.v-selection-control-group--inline) {
  column-gap: var(--space-3);
}

.text {
  display: grid;
  color: var(--ink);
  font-size: var(--text-2);
}

small {
  font-size: var(--text-1);
}
</style>
