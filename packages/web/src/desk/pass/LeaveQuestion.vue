<script setup lang="ts">
/** Says, before the bench is left, that a hand still writes while the song plays. */
import { useTemplateRef } from 'vue'
import AskDialog from '../../ui/AskDialog.vue'

const dialog = useTemplateRef('dialog')
/** @returns whether it is left all the same */
const ask = (): Promise<boolean> => dialog.value!.ask()
defineExpose({ ask })
</script>

<template>
  <AskDialog
    ref="dialog"
    name="leave-writing"
    title="The hand still writes while it plays"
    text="If you leave, every control goes back to follow only. What was written so far is kept, and you can undo it here."
    yes="Leave"
    no="Stay"
  />
</template>
