<script setup lang="ts">
/** Asks one thing before something is lost, and waits for the answer: `ask()` gives whether it is done all the same. */
import { ref } from 'vue'
import AppButton from '../buttons/AppButton.vue'
import AppDialog from './AppDialog.vue'

defineProps<{
  title: string
  text: string
  /** What the buttons say. */
  yes: string
  no: string
  /** Name for tests; the button that does it is `NAME-yes`. */
  name: string
}>()

const answer = ref<((yes: boolean) => void) | null>(null)

/** @returns whether it is done all the same */
function ask(): Promise<boolean> {
  answer.value?.(false)
  return new Promise((done) => (answer.value = done))
}

function say(yes: boolean): void {
  answer.value?.(yes)
  answer.value = null
}

defineExpose({ ask })
</script>

<template>
  <AppDialog
    :title="title"
    :model-value="answer !== null"
    :width="460"
    alert
    :data-test="name"
    @update:model-value="say(false)"
  >
    <p class="text">{{ text }}</p>
    <slot />
    <template #acts>
      <AppButton tone="quiet" @click="say(false)">{{ no }}</AppButton>
      <AppButton tone="main" :data-test="`${name}-yes`" @click="say(true)">{{ yes }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.text {
  white-space: pre-line;
}
</style>
