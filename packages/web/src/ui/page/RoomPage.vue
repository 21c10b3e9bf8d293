<script setup lang="ts">
/** The frame of a room: its name, what can be done in it, and its content or the state that it is in. */
import RoomState from './RoomState.vue'

const { problem = '' } = defineProps<{
  title: string
  /** One line under the name. */
  about?: string | undefined
  problem?: string
  loading?: boolean
  empty?: { readonly title: string; readonly text: string } | null | undefined
  /** Wider than a page to read: for columns beside each other. */
  wide?: boolean
}>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <main class="room-page" :class="{ wide }">
    <header>
      <div class="name">
        <h1>{{ title }}</h1>
        <p v-if="about" class="soft">{{ about }}</p>
      </div>
      <slot name="acts" />
    </header>
    <RoomState :problem="problem" :loading="loading" :empty="empty" @again="emit('again')">
      <slot name="empty" />
      <template #room><slot /></template>
    </RoomState>
  </main>
</template>

<style scoped>
.room-page {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  width: min(1120px, 100%);
  margin: 0 auto;
  padding: var(--space-6);
}

.wide {
  width: min(1280px, 100%);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.name {
  flex: 1;
  min-width: 200px;
}

h1 {
  font-size: var(--text-5);
}

@media (max-width: 600px) {
  .room-page {
    padding: var(--space-4) var(--space-3);
  }
}
</style>
