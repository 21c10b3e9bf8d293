<script setup lang="ts">
/** What the forms in the table mean. */
import type { Verdict } from '@rudlo/core/evidence'
import type { Sign } from '../../../ui/marks/sign'
import StandingSign from '../../../ui/marks/StandingSign.vue'
import { t } from '../../../words/t'
import TaskPips from './TaskPips.vue'

const SIGNS = [
  'new',
  'going',
  'missing',
  'waiting',
  'held',
  'back',
  'done',
  'excused',
] as const satisfies readonly Sign[]
const VERDICTS: readonly Verdict[] = ['met', 'close', 'not yet']
</script>

<template>
  <ul class="legend soft" :aria-label="t('term.legend')">
    <li v-for="sign in SIGNS" :key="sign"><StandingSign :sign="sign" />{{ t(`term.sign.${sign}`) }}</li>
    <li v-for="v in VERDICTS" :key="v"><TaskPips :tasks="[v]" />{{ t(`term.task.${v}`) }}</li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px var(--space-4);
  margin: 0;
  padding: 0;
  font-size: var(--text-1);
  list-style: none;
}

li {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
</style>
