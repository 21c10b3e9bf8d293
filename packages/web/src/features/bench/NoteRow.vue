<script setup lang="ts">
/** One listening note: ticked off, gone to, written, removed. What is being typed stays while the song plays on. */
import type { ListeningNote } from '@rudlo/core/mix'
import { ref, watch } from 'vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ note: ListeningNote; bar: number }>()
const emit = defineEmits<{ done: []; go: []; write: [text: string]; remove: []; repair: [] }>()

const text = ref(props.note.text)
watch(
  () => props.note.text,
  (now) => (text.value = now),
)

function take(): void {
  if (text.value !== props.note.text) emit('write', text.value)
}
</script>

<template>
  <li :class="{ done: note.done }">
    <input
      type="checkbox"
      :checked="note.done"
      :aria-label="t('note.done', { bar })"
      @change="emit('done')"
    />
    <AppButton small :aria-label="t('note.go', { bar })" @click="emit('go')">{{ bar }}</AppButton>
    <input
      v-model="text"
      class="text"
      :data-note="note.id"
      maxlength="1000"
      :aria-label="t('note.label', { bar })"
      :placeholder="t('note.example')"
      @change="take"
      @keydown.enter="($event.target as HTMLInputElement).blur()"
      @keydown.stop
    />
    <RowButton
      class="remove"
      :tip="t('guide.mistakes.hand.tip')"
      :aria-label="t('note.repair', { bar })"
      @click="emit('repair')"
    >
      <v-icon icon="$pen" size="16" />
    </RowButton>
    <RowButton class="remove" :aria-label="t('note.remove', { bar })" @click="emit('remove')">
      <v-icon icon="$close" size="16" />
    </RowButton>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: auto auto 1fr auto auto;
  gap: 6px;
  align-items: center;
}

li .chip {
  padding: 2px 9px;
}

input[type='checkbox'] {
  width: 20px;
  height: 20px;
}

.text {
  min-width: 0;
  height: 32px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

.done .text {
  color: var(--soft);
  text-decoration: line-through;
}

.remove {
  width: 32px;
  height: 32px;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
</style>
