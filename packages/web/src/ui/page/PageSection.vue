<script setup lang="ts">
/** A sheet of a room: what it is about, what can be done with it, and its content. */
import { useId } from 'vue'

defineProps<{
  title: string
  about?: string | undefined
}>()
const id = useId()
</script>

<template>
  <section class="sheet page-section" :aria-labelledby="id">
    <header>
      <div class="name">
        <h2 :id="id">{{ title }}</h2>
        <p v-if="about" class="soft">{{ about }}</p>
      </div>
      <slot name="acts" />
    </header>
    <slot />
  </section>
</template>

<style scoped>
.page-section {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  min-width: 0;
  padding: var(--space-4) var(--space-5);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
}

.name {
  flex: 1;
  min-width: 160px;
}

h2 {
  font-size: var(--text-4);
}
</style>
