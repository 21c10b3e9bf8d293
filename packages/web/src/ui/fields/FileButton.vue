<script setup lang="ts">
/** Files from this machine, chosen by a button. */
import { useTemplateRef } from 'vue'
import AppButton from '../buttons/AppButton.vue'

const { small = false, tone = 'plain' } = defineProps<{
  text: string
  /** Endings and kinds of files. */
  accept: string
  multiple?: boolean
  small?: boolean
  tone?: 'plain' | 'main'
  /** Name for tests of what takes the files. */
  test: string
}>()
const emit = defineEmits<{ files: [files: readonly File[]] }>()
const input = useTemplateRef<HTMLInputElement>('input')

function take(): void {
  const files = [...(input.value?.files ?? [])]
  // the same file can be chosen again
  if (input.value) input.value.value = ''
  if (files.length) emit('files', files)
}
</script>

<template>
  <span>
    <AppButton :small="small" :tone="tone" @click="input?.click()">{{ text }}</AppButton>
    <input
      ref="input"
      type="file"
      class="unseen"
      tabindex="-1"
      :aria-label="text"
      :accept="accept"
      :multiple="multiple"
      :data-test="test"
      @change="take"
    />
  </span>
</template>
