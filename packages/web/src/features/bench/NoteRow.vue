<script setup lang="ts">
/** One listening note: ticked off, gone to, written, removed. What is being typed stays while the song plays on. */
import type { ListeningNote } from '@rudlo/core/mix'
import { ref, watch } from 'vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

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
    <CheckField
      :model-value="note.done"
      bare
      :label="t('note.done', { bar })"
      @update:model-value="emit('done')"
    />
    <AppButton small :aria-label="t('note.go', { bar })" @click="emit('go')">{{ bar }}</AppButton>
    <TextField
      v-model="text"
      class="text"
      bare
      :data-note="note.id"
      maxlength="1000"
      :label="t('note.label', { bar })"
      :placeholder="t('note.example')"
      @change="take"
      @keydown.enter="($event.target as HTMLInputElement).blur()"
      @keydown.stop
    />
    <IconButton
      icon="pen"
      :tip="t('guide.mistakes.hand.tip')"
      :label="t('note.repair', { bar })"
      @click="emit('repair')"
    />
    <IconButton icon="close" :label="t('note.remove', { bar })" @click="emit('remove')" />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: auto auto minmax(0, 1fr) auto auto;
  gap: var(--space-1);
  align-items: center;
}

.done .text {
  color: var(--soft);
  text-decoration: line-through;
}
</style>
