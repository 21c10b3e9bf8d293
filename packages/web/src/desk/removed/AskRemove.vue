<script setup lang="ts">
/** Asks before something is removed, and says what hangs on it. */
import type { Hanging } from '@rudlo/contract/removed'
import { ref, useTemplateRef } from 'vue'
import AskDialog from '../../ui/overlays/AskDialog.vue'
import { t } from '../../words/t'

const asked = useTemplateRef('asked')
const title = ref('')
const hanging = ref<Hanging | null>(null)

/** @param on what hangs on it; null where nothing does @returns whether it is to be removed */
async function ask(name: string, on: Hanging | null): Promise<boolean> {
  title.value = name
  hanging.value = on
  return asked.value!.ask()
}
defineExpose({ ask })
</script>

<template>
  <AskDialog
    ref="asked"
    name="remove"
    :title="t('removed.ask', { title })"
    :text="
      hanging
        ? t('removed.ask.hanging', {
            assignments: hanging.assignments,
            works: hanging.works,
            handIns: hanging.handIns,
            remarks: hanging.remarks,
          })
        : t('removed.ask.text')
    "
    :yes="t('removed.yes')"
    :no="t('ui.cancel')"
  />
</template>
