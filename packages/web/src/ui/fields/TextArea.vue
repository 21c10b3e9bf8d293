<script setup lang="ts">
/** Several lines of text: it grows with what is typed. */
import { useTemplateRef } from 'vue'

const { rows = 3, compact = false } = defineProps<{
  label: string
  fault?: string | null | undefined
  hint?: string | undefined
  rows?: number
  compact?: boolean
  /** Its label stands elsewhere: only a screen reader is told. */
  bare?: boolean
}>()
const text = defineModel<string>({ required: true })
const area = useTemplateRef<{ $el: HTMLElement }>('area')
const inner = () => area.value?.$el.querySelector<HTMLTextAreaElement>('textarea:not([aria-hidden])')

/** Puts the caret behind what is there. */
function focus(): void {
  inner()?.focus()
  inner()?.setSelectionRange(text.value.length, text.value.length)
}
defineExpose({ focus, blur: () => inner()?.blur() })
</script>

<template>
  <v-textarea
    ref="area"
    v-model="text"
    :label="bare ? undefined : label"
    :aria-label="bare ? label : undefined"
    :rows="rows"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :density="compact || bare ? 'compact' : 'comfortable'"
    auto-grow
    max-rows="14"
  />
</template>
