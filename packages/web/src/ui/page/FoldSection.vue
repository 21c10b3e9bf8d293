<script setup lang="ts">
/** Something that most people do not need: its name is there, and what is in it opens below. */
const open = defineModel<boolean>({ default: false })
defineProps<{
  title: string
  /** How much is in it. */
  note?: string | undefined
}>()
</script>

<template>
  <v-expansion-panels
    class="fold-section"
    :model-value="open ? 0 : undefined"
    variant="accordion"
    flat
    @update:model-value="(at: unknown) => (open = at === 0)"
  >
    <v-expansion-panel :elevation="0">
      <v-expansion-panel-title :ripple="false">
        <span class="title">{{ title }}</span>
        <span v-if="note" class="soft note">{{ note }}</span>
      </v-expansion-panel-title>
      <v-expansion-panel-text><slot /></v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

<style scoped>
.fold-section :deep(.v-expansion-panel) {
  background: transparent;
}

.fold-section :deep(.v-expansion-panel-title) {
  min-height: var(--row);
  padding: var(--space-1) 0;
  font-size: var(--text-2);
}

.fold-section :deep(.v-expansion-panel-text__wrapper) {
  padding: var(--space-1) 0 var(--space-3);
}

.title {
  font-weight: 600;
}

.note {
  margin-left: var(--space-2);
}
</style>
