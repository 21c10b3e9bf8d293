<script setup lang="ts">
/** Files from this machine: chosen from a button, or dropped on it. */
import { shallowRef } from 'vue'

const { multiple = false } = defineProps<{
  label: string
  hint?: string | undefined
  /** Endings and kinds of files. */
  accept: string
  multiple?: boolean
}>()
const emit = defineEmits<{ files: [files: readonly File[]] }>()
const chosen = shallowRef<File[]>([])

function take(files: File | File[] | null): void {
  const list = files === null ? [] : Array.isArray(files) ? files : [files]
  // the same file can be chosen again
  chosen.value = []
  if (list.length) emit('files', list)
}
</script>

<template>
  <v-file-input
    :model-value="chosen"
    :label="label"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    :accept="accept"
    :multiple="multiple"
    density="comfortable"
    prepend-icon=""
    prepend-inner-icon="$files"
    hide-details="auto"
    @update:model-value="take"
  />
</template>
