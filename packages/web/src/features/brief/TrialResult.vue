<script setup lang="ts">
/** What the brief would say of the starting mix, the model, and what was handed in. */
import type { JudgedTask } from '@rudlo/core/brief'
import { computed } from 'vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import { useBrief } from './brief-store'

const store = useBrief()
const trial = computed(() => store.trial!)
const titleOf = (id: string) => store.brief!.tasks.find((t) => t.id === id)?.title ?? id
const verdict = (tasks: readonly JudgedTask[] | null, id: string) =>
  tasks?.find((t) => t.task === id)?.verdict ?? null

/** What does not fit yet, in sentences. */
const warnings = computed(() => store.doubts)
</script>

<template>
  <section class="sheet trial" data-test="trial">
    <h3>Tried out</h3>
    <p v-for="w in warnings" :key="w" class="warning" role="alert">{{ w }}</p>
    <p v-if="!warnings.length">
      The starting mix meets nothing yet{{ trial.model ? ', and the model meets everything' : '' }}: it fits.
    </p>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Task</th>
            <th scope="col">Start</th>
            <th v-if="trial.model" scope="col">Model</th>
            <th v-for="h in trial.handIns" :key="h.student" scope="col">{{ h.student.split(' ')[0] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="t in trial.start" :key="t.task">
            <th scope="row">{{ titleOf(t.task) }}</th>
            <td><VerdictSign :verdict="t.verdict" /></td>
            <td v-if="trial.model"><VerdictSign :verdict="verdict(trial.model, t.task)" /></td>
            <td
              v-for="h in trial.handIns"
              :key="h.student"
              :class="{ changed: h.before && verdict(h.before, t.task) !== verdict(h.after, t.task) }"
              :title="
                h.before && verdict(h.before, t.task) !== verdict(h.after, t.task) ? 'This would change' : ''
              "
            >
              <VerdictSign :verdict="verdict(h.after, t.task)" />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.trial {
  display: grid;
  gap: 10px;
  padding: 16px 18px;
}

.scroll {
  overflow-x: auto;
}

h3 {
  font-size: 17px;
}

.warning {
  color: var(--warm);
  font-weight: 560;
}

table {
  border-collapse: collapse;
  font-size: 14px;
}

th,
td {
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
  font-weight: 500;
  text-align: left;
}

.changed {
  background: var(--wash);
  outline: 2px solid var(--close);
}
</style>
