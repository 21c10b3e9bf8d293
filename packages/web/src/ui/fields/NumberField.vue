<script setup lang="ts">
/** A number with its unit. It is taken when somebody leaves the field or presses Enter; what is no number is put back. */
import { ref, watch } from 'vue'

const {
  empties = false,
  min = -Infinity,
  max = Infinity,
  step = 1,
  compact = true,
} = defineProps<{
  label: string
  unit?: string | undefined
  min?: number
  max?: number
  step?: number | 'any'
  fault?: string | null | undefined
  hint?: string | undefined
  compact?: boolean
  /** It may be left empty: there is no number then. */
  empties?: boolean
  /** Its label stands elsewhere, or it lies in a row of small things: only a screen reader is told. */
  bare?: boolean
}>()
const value = defineModel<number | null>({ required: true })

const shown = (n: number | null) => (n === null ? '' : String(n))
const text = ref(shown(value.value))
watch(value, (n) => (text.value = shown(n)))

function take(): void {
  if (empties && text.value.trim() === '') {
    value.value = null
    return
  }
  const n = Number(text.value.trim().replace(',', '.').replace('−', '-'))
  if (text.value.trim() !== '' && Number.isFinite(n)) value.value = Math.min(max, Math.max(min, n))
  text.value = shown(value.value)
}
</script>

<template>
  <v-text-field
    v-model="text"
    class="number-field"
    type="number"
    inputmode="decimal"
    :class="{ bare }"
    :label="bare ? undefined : label"
    :aria-label="bare ? label : undefined"
    :suffix="unit"
    :min="Number.isFinite(min) ? min : undefined"
    :max="Number.isFinite(max) ? max : undefined"
    :step="step"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :density="compact || bare ? 'compact' : 'comfortable'"
    @change="take"
    @keydown.enter="take"
  />
</template>

<style scoped src="./bare.css"></style>
