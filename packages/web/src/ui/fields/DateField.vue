<script setup lang="ts">
/** A day, typed as this person writes dates or chosen from a calendar. */
import { computed } from 'vue'
import { dayOf, dayText } from './school-time'

defineProps<{
  label: string
  fault?: string | null | undefined
  hint?: string | undefined
}>()
/** `2026-11-29`; null for none. */
const day = defineModel<string | null>({ required: true })
const date = computed({
  get: () => dayOf(day.value),
  set: (chosen: Date | null) => (day.value = dayText(chosen)),
})

/** Typing replaces the day that stands there, rather than going into the middle of it. */
function choose({ target }: FocusEvent): void {
  if (target instanceof HTMLInputElement) requestAnimationFrame(() => target.select())
}
</script>

<template>
  <v-date-input
    v-model="date"
    class="date-field"
    :label="label"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    prepend-icon=""
    prepend-inner-icon="$calendar"
    density="comfortable"
    clearable
    @focusin="choose"
    @keydown.stop
  />
</template>
