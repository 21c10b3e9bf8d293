<script setup lang="ts" generic="T extends string">
/** Pages of one thing, of which one is in view. */
const { tabs } = defineProps<{
  tabs: readonly {
    readonly value: T
    readonly text: string
    readonly note?: string | undefined
    readonly test?: string
  }[]
  label: string
}>()
const shown = defineModel<T>({ required: true })
</script>

<template>
  <v-tabs v-model="shown" :aria-label="label" density="compact" class="tab-bar">
    <v-tab v-for="tab in tabs" :key="tab.value" :value="tab.value" :data-test="tab.test" :ripple="false">
      {{ tab.text }}<span v-if="tab.note" class="note">{{ tab.note }}</span>
    </v-tab>
  </v-tabs>
</template>

<style scoped>
.tab-bar :deep(.v-tab) {
  min-width: 0;
  padding-inline: var(--space-3);
  font-size: var(--text-2);
  font-weight: 600;
  letter-spacing: 0;
  text-transform: none;
}

.note {
  margin-left: var(--space-2);
  color: var(--soft);
}
</style>
