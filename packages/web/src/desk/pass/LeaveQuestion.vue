<script setup lang="ts">
/** Says, before the bench is left, that a hand still writes while the song plays. */
import { useTemplateRef } from 'vue'
import AskDialog from '../../ui/overlays/AskDialog.vue'
import { t } from '../../words/t'

const dialog = useTemplateRef('dialog')
/** @returns whether it is left all the same */
const ask = (): Promise<boolean> => dialog.value!.ask()
defineExpose({ ask })
</script>

<template>
  <AskDialog
    ref="dialog"
    name="leave-writing"
    :title="t('pass.leave.title')"
    :text="t('pass.leave.text')"
    :yes="t('pass.leave.yes')"
    :no="t('pass.leave.no')"
  />
</template>
