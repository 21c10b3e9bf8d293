<script setup lang="ts">
/** Everybody at the tasks of one assignment. */
import type { TermAssignment, TermCell } from '@rudlo/contract/term'
import { computed } from 'vue'
import VerdictSign from '../../../desk/guide/VerdictSign.vue'
import StandingSign from '../../../ui/marks/StandingSign.vue'
import FigureTable from '../../../ui/tables/FigureTable.vue'
import { t } from '../../../words/t'
import { lateText } from '../../../words/late'
import { cellText, signOf } from './cell-words'
import ChooseBox from './ChooseBox.vue'
import { useTerm } from './term-store'

const props = defineProps<{ assignment: TermAssignment; cells: readonly TermCell[] }>()

const store = useTerm()
const rows = computed(() =>
  store.rows.flatMap(({ student }) => {
    const cell = props.cells.find((c) => c.student === student.id)
    return cell ? [{ student, cell }] : []
  }),
)
</script>

<template>
  <FigureTable class="task-table" :label="assignment.title">
    <thead>
      <tr>
        <th class="box"><span class="unseen">{{ t('term.choose-some') }}</span></th>
        <th scope="col">{{ t('term.student') }}</th>
        <th
          v-for="(task, i) in assignment.tasks"
          :key="task.id"
          scope="col"
          class="task"
          :data-tip="task.title"
        >
          {{ i + 1 }}<span class="unseen">{{ task.title }}</span>
        </th>
        <th scope="col">{{ t('term.hints') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ student, cell } in rows" :key="student.id" data-test="task-row">
        <td class="box">
          <ChooseBox :student="student" />
        </td>
        <th scope="row">
          <div class="name">
            <StandingSign :sign="signOf(cell)" />
            <component
              :is="cell.handIn ? 'router-link' : 'span'"
              :to="cell.handIn ? `/review/${assignment.id}/${cell.handIn}` : undefined"
              :data-tip="cellText(cell)"
              data-test="to-hand-in"
              >{{ student.name }}<span class="unseen">, {{ cellText(cell) }}</span
              ><span v-if="cell.late" class="late">{{ lateText(cell.late) }}</span></component
            >
          </div>
        </th>
        <td v-for="(task, i) in assignment.tasks" :key="task.id" class="task">
          <VerdictSign v-if="cell.tasks[i]" :verdict="cell.tasks[i]!" />
        </td>
        <td class="task">{{ cell.hints || '' }}</td>
      </tr>
    </tbody>
  </FigureTable>
</template>

<style scoped>
.task-table :deep(th),
.task-table :deep(td) {
  height: 36px;
  padding: 0 var(--space-2);
}

.box {
  width: 44px;
  min-width: 44px;
}

.name {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-weight: 560;
  white-space: nowrap;
}

.name a {
  color: inherit;
  text-decoration: none;
}

.name a:hover {
  text-decoration: underline;
}

.late {
  display: block;
  color: var(--warm);
  font-size: var(--text-1);
}

.task {
  width: 36px;
  text-align: center;
}

.task :deep(svg) {
  vertical-align: middle;
}
</style>
