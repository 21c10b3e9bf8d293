<script setup lang="ts">
/** A component by its name, in its states side by side. */
defineProps<{
  /** What it is called in the code. */
  name: string
}>()
</script>

<template>
  <section class="sheet specimen-row" :aria-label="name">
    <code>{{ name }}</code>
    <div class="states"><slot /></div>
  </section>
</template>

<style scoped>
.specimen-row {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: var(--space-4);
  align-items: start;
  padding: var(--space-3) var(--space-4);
  margin-bottom: var(--space-2);
}

.states {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.states > :deep(.v-input),
.states > :deep(.moment-field) {
  width: 260px;
  max-width: 100%;
}
</style>
