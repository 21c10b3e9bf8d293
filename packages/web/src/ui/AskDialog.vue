<script setup lang="ts">
/** Asks one thing before something is lost, and waits for the answer: `ask()` gives whether it is done all the same. */
import { ref } from 'vue'

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
  <v-dialog
    :aria-label="title"
    :model-value="answer !== null"
    max-width="460"
    @update:model-value="say(false)"
  >
    <div class="sheet ask" role="alertdialog" :aria-label="title" :data-test="name">
      <h2>{{ title }}</h2>
      <p>{{ text }}</p>
      <div class="row">
        <v-btn variant="text" :data-test="`${name}-yes`" @click="say(true)">{{ yes }}</v-btn>
        <v-btn color="primary" variant="flat" @click="say(false)">{{ no }}</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 14px;
  padding: 22px;
}

p {
  white-space: pre-line;
}

.row {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
