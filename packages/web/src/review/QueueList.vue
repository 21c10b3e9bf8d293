<script setup lang="ts">
/** What has been handed in: what waits, oldest first, and what was given back. */
import type { QueueEntry } from '../server/views'
import { whenText } from '../shell/dates'

defineProps<{
  assignment: string
  waiting: readonly QueueEntry[]
  done: readonly QueueEntry[]
  current: string | null
}>()
const emit = defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <nav class="queue" aria-label="Hand-ins">
    <h2>Waiting, oldest first</h2>
    <p v-if="!waiting.length" class="soft none">Nobody is waiting. Well done.</p>
    <ul>
      <li v-for="entry in waiting" :key="entry.id">
        <button
          class="entry"
          :aria-current="entry.id === current"
          :title="`Handed in ${whenText(entry.handedInAt)}`"
          data-test="waiting"
          @click="emit('choose', entry.id)"
        >
          <span>{{ entry.student }}</span>
          <span class="version">{{ entry.state === 'measuring' ? '…' : `v${entry.number}` }}</span>
        </button>
      </li>
    </ul>
    <h2>Given back</h2>
    <p v-if="!done.length" class="soft none">Nothing yet.</p>
    <ul>
      <li v-for="entry in done" :key="entry.id">
        <button
          class="entry"
          :aria-current="entry.id === current"
          data-test="given-back"
          @click="emit('choose', entry.id)"
        >
          <span>{{ entry.student }}</span>
          <span class="version">{{ entry.outcome === 'accepted' ? 'accepted' : `v${entry.number}` }}</span>
        </button>
      </li>
    </ul>
    <p class="tables">
      <a class="chip" :href="`/api/assignments/${assignment}/marks.csv`" download data-test="marks"
        >Marks as a table</a
      >
      <a class="chip" :href="`/api/assignments/${assignment}/marks.csv?table=checks`" download
        >Checks as a table</a
      >
    </p>
  </nav>
</template>

<style scoped>
.queue {
  display: grid;
  gap: 6px;
  align-content: start;
  padding: 14px 10px;
  overflow-y: auto;
}

h2 {
  padding: 4px 10px;
  color: var(--soft);
  font-size: 14px;
  font-weight: 560;
}

.none {
  padding: 2px 10px 10px;
  font-size: 14px;
}

ul {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}

.entry {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  width: 100%;
  min-height: 38px;
  padding: 4px 10px;
  border: 0;
  border-radius: 9px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.entry:hover {
  background: var(--wash);
}

.entry[aria-current='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.version {
  flex: none;
  font-size: 14px;
  opacity: 0.85;
}

.tables {
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 8px 10px;
}

.tables .chip {
  text-decoration: none;
}
</style>
