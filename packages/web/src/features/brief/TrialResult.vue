<script setup lang="ts">
/** What the brief would say of the starting mix, the model, and what was handed in. */
import type { JudgedTask } from '@rudlo/core/brief'
import { computed } from 'vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import { useBrief } from './brief-store'
import FigureTable from '../../ui/tables/FigureTable.vue'
import { t } from '../../words/t'

const store = useBrief()
const trial = computed(() => store.trial!)
const titleOf = (id: string) => store.brief!.tasks.find((task) => task.id === id)?.title ?? id
/** Whether a hand-in would get another verdict than it has. */
const changes = (h: (typeof trial.value.handIns)[number], id: string) =>
  h.before !== null && verdict(h.before, id) !== verdict(h.after, id)
const verdict = (tasks: readonly JudgedTask[] | null, id: string) =>
  tasks?.find((j) => j.task === id)?.verdict ?? null

/** What does not fit yet, in sentences. */
const warnings = computed(() => store.doubts)
</script>

<template>
  <div class="trial" data-test="trial">
    <p v-for="w in warnings" :key="w" class="warning" role="alert">{{ w }}</p>
    <p v-if="!warnings.length">{{ t(trial.model ? 'brief.tried.fits.model' : 'brief.tried.fits') }}</p>
    <FigureTable :label="t('brief.tried')">
      <thead>
        <tr>
          <th scope="col">{{ t('brief.tried.task') }}</th>
          <th scope="col">{{ t('brief.tried.start') }}</th>
          <th v-if="trial.model" scope="col">{{ t('brief.tried.model') }}</th>
          <th v-for="h in trial.handIns" :key="h.student" scope="col">{{ h.student.split(' ')[0] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="j in trial.start" :key="j.task">
          <th scope="row">{{ titleOf(j.task) }}</th>
          <td><VerdictSign :verdict="j.verdict" /></td>
          <td v-if="trial.model"><VerdictSign :verdict="verdict(trial.model, j.task)" /></td>
          <td
            v-for="h in trial.handIns"
            :key="h.student"
            :class="{ changed: changes(h, j.task) }"
            :data-tip="changes(h, j.task) ? t('brief.tried.change') : undefined"
          >
            <VerdictSign :verdict="verdict(h.after, j.task)" />
          </td>
        </tr>
      </tbody>
    </FigureTable>
  </div>
</template>

<style scoped>
.trial {
  display: grid;
  gap: var(--space-2);
}

.warning {
  color: var(--warm);
  font-weight: 560;
}

.changed {
  background: var(--wash);
  outline: 2px solid var(--close);
}
</style>
