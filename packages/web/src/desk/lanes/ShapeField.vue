<script setup lang="ts">
/** One figure of a shape as text that can be typed; arrows change it a little. */
import type { Unit } from '@rudlo/core/scale'
import { ref } from 'vue'
import { useWork } from '../../document/work-store'
import PlainInput from '../../ui/fields/PlainInput.vue'
import { t } from '../../words/t'

const props = defineProps<{
  label: string
  unit: Unit
  min: number
  max: number
  /** What an arrow key makes of a value, up (1) or down (−1). */
  step: (value: number, by: 1 | -1) => number
}>()
const value = defineModel<number>({ required: true })

const work = useWork()
const typing = ref<string | null>(null)
const shown = () => typing.value ?? props.unit.format(value.value)
const give = (to: number) => (value.value = Math.min(props.max, Math.max(props.min, to)))

function take(): void {
  const text = typing.value
  typing.value = null
  if (text === null || text === props.unit.format(value.value)) return
  const read = props.unit.parse(text)
  if (read === null) work.notice = t('shape.no-value', { text, example: props.unit.format(value.value) })
  else give(read)
}
</script>

<template>
  <label class="shape-field">
    <span class="soft">{{ label }}</span>
    <PlainInput
      :value="shown()"
      :label="label"
      @typing="typing = $event"
      @take="take"
      @keydown.up.prevent="give(step(value, 1))"
      @keydown.down.prevent="give(step(value, -1))"
    />
  </label>
</template>

<style scoped>
.shape-field {
  display: flex;
  gap: var(--space-1);
  align-items: center;
}

.shape-field :deep(.plain-input) {
  /* as wide as what it says */
  width: auto;
  min-width: 54px;
  max-width: 84px;
  field-sizing: content;
  border-color: var(--rule);
}
</style>
