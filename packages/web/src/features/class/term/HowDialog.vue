<script setup lang="ts">
/** How the figures of a term are worked out. */
import { HELP_COUNTS, HELP_LOOKS_AT, STOPPED_DAYS } from '@rudlo/core/term'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { t } from '../../../words/t'

const open = defineModel<boolean>({ required: true })

const FIGURES = ['help', 'met', 'stopped', 'late', 'mistakes', 'next'] as const
const values = {
  missing: HELP_COUNTS.missing,
  stopped: HELP_COUNTS.stopped,
  again: HELP_COUNTS.again,
  tasks: HELP_COUNTS['not yet'],
  last: HELP_LOOKS_AT,
  days: STOPPED_DAYS,
}
</script>

<template>
  <AppDialog v-model="open" :title="t('term.how')">
    <dl>
      <template v-for="f in FIGURES" :key="f">
        <dt>{{ t(`term.how.${f}`) }}</dt>
        <dd>{{ t(`term.how.${f}.text`, values) }}</dd>
      </template>
    </dl>
  </AppDialog>
</template>

<style scoped>
dl {
  margin: 0;
}

dt {
  font-weight: 640;
}

dd {
  margin: 0 0 var(--space-3);
}
</style>
