<script setup lang="ts">
/** Says, before the bench is left, that a hand still writes while the song plays. */
import { ref } from 'vue'

const answer = ref<((leave: boolean) => void) | null>(null)

/** @returns whether it is left all the same */
function ask(): Promise<boolean> {
  answer.value?.(false)
  return new Promise((done) => (answer.value = done))
}

function say(leave: boolean): void {
  answer.value?.(leave)
  answer.value = null
}

defineExpose({ ask })
</script>

<template>
  <v-dialog
    aria-label="The hand still writes"
    :model-value="answer !== null"
    max-width="460"
    @update:model-value="say(false)"
  >
    <div class="sheet ask" role="alertdialog" aria-labelledby="leave-title" data-test="leave-writing">
      <h2 id="leave-title">The hand still writes while it plays</h2>
      <p>
        If you leave, every control goes back to follow only. What was written so far is kept, and you can
        undo it here.
      </p>
      <div class="row">
        <v-btn variant="text" data-test="leave-yes" @click="say(true)">Leave</v-btn>
        <v-btn color="primary" variant="flat" @click="say(false)">Stay</v-btn>
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

.row {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
