<script setup lang="ts">
/** Pins a remark to bars of the lane on the desk. The bars come from dragging on the lane, or are typed. */
import type { SongTime } from '@rudlo/core/song'
import { ref, watch } from 'vue'
import type { Span } from '../lane/viewport'

const props = defineProps<{ time: SongTime; laneName: string; span: Span | null }>()
const emit = defineEmits<{ span: [span: Span | null]; pin: [text: string] }>()

const text = defineModel<string>({ required: true })
const first = ref('')
const last = ref('')

watch(
  () => props.span,
  (span) => {
    const { meter } = props.time
    first.value = span ? String(meter.placeAt(span.from).bar) : ''
    last.value = span ? String(meter.placeAt(Math.max(span.from, span.to - 1)).bar) : ''
  },
  { immediate: true },
)

function typed(): void {
  const { meter, length } = props.time
  const from = Number(first.value)
  const to = Number(last.value || first.value)
  const bars = meter.placeAt(length - 1).bar
  const fits = Number.isInteger(from) && Number.isInteger(to) && from >= 1 && to >= from && to <= bars
  emit('span', fits ? { from: meter.barStart(from), to: Math.min(length, meter.barStart(to + 1)) } : null)
}
</script>

<template>
  <form class="form" @submit.prevent="span && text.trim() && emit('pin', text.trim())">
    <p class="soft">Drag over bars of {{ laneName }}, or name them:</p>
    <div class="bars">
      Bars
      <input v-model="first" inputmode="numeric" aria-label="From bar" @change="typed" />
      to
      <input v-model="last" inputmode="numeric" aria-label="To bar" @change="typed" />
    </div>
    <textarea
      v-model="text"
      rows="3"
      maxlength="2000"
      aria-label="Remark"
      placeholder="What should they listen for?"
    />
    <button class="chip" :disabled="!span || !text.trim()" data-test="pin-remark">
      <v-icon icon="$remark" size="18" />Pin this remark
    </button>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 8px;
  padding: 12px;
  border: 1px solid var(--rule);
  border-radius: var(--radius);
}

.form p {
  font-size: 14px;
}

.bars {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

input,
textarea {
  padding: 4px 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

input {
  width: 46px;
  min-height: 32px;
  text-align: center;
}

textarea {
  width: 100%;
  resize: vertical;
}

.chip {
  justify-content: center;
}
</style>
