<script setup lang="ts">
/** Everybody at every assignment of a term. A head opens an assignment, a name a student, a cell the hand-in. */
import { computed } from 'vue'
import CheckField from '../../../ui/fields/CheckField.vue'
import RowButton from '../../../ui/buttons/RowButton.vue'
import FigureTable from '../../../ui/tables/FigureTable.vue'
import { nearDay, shortDay } from '../../../words/dates'
import { t } from '../../../words/t'
import { signOf } from './cell-words'
import ChooseBox from './ChooseBox.vue'
import TermCell from './TermCell.vue'
import { useTerm } from './term-store'

const emit = defineEmits<{ open: [assignment: string] }>()

const store = useTerm()
const term = computed(() => store.term!)
const all = computed({
  get: () => store.chosen.length > 0 && store.chosen.length === store.rows.length,
  set: (on) => (store.chosen = on ? store.rows.map((r) => r.student.id) : []),
})
</script>

<template>
  <FigureTable class="term-table" :label="t('term.title')">
    <thead>
      <tr>
        <th class="box"><CheckField v-model="all" bare :label="t('term.choose-all')" /></th>
        <th class="name" scope="col">{{ t('term.student') }}</th>
        <th v-for="a in term.assignments" :key="a.id" scope="col">
          <RowButton
            class="assignment"
            :tip="t('term.open', { title: a.title })"
            data-test="open-assignment"
            @click="emit('open', a.id)"
          >
            <b>{{ a.title }}</b>
            <span v-if="a.dueAt" class="soft">{{ shortDay(new Date(a.dueAt)) }}</span>
          </RowButton>
        </th>
        <th class="help" scope="col">{{ t('term.help') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ student, cells } in store.rows" :key="student.id" data-test="term-row">
        <td class="box">
          <ChooseBox :student="student" />
        </td>
        <th class="name" scope="row">
          <router-link :to="`/class/${term.group.id}/student/${student.id}`" data-test="to-student">{{
            student.name
          }}</router-link>
          <span class="soft last">{{
            student.lastAt ? nearDay(new Date(student.lastAt)) : t('term.never')
          }}</span>
        </th>
        <td v-for="(c, i) in cells" :key="c.assignment">
          <TermCell :cell="c" :sign="signOf(c)" :title="term.assignments[i]!.title" :name="student.name" />
        </td>
        <td class="help">{{ student.help || '' }}</td>
      </tr>
    </tbody>
  </FigureTable>
</template>

<style scoped>
.term-table {
  max-height: calc(100dvh - 250px);
  overflow: auto;
  /* what is opaque is moved as a picture when it is scrolled, not painted anew */
  background: var(--sheet);
}

.term-table :deep(.v-table__wrapper) {
  overflow: visible;
}

.term-table :deep(th),
.term-table :deep(td) {
  height: 46px;
  padding: 0 var(--space-1);
}

thead th {
  position: sticky;
  z-index: 3;
  top: 0;
  background: var(--sheet);
  vertical-align: bottom;
}

.term-table :deep(tbody tr) {
  contain-intrinsic-size: auto 46px;
  content-visibility: auto;
}

.term-table :deep(.box) {
  position: sticky;
  z-index: 1;
  left: 0;
  width: 40px;
  min-width: 40px;
  background: var(--sheet);
}

.term-table :deep(.name) {
  position: sticky;
  z-index: 1;
  left: 40px;
  min-width: 116px;
  background: var(--sheet);
  text-align: start;
  white-space: nowrap;
}

.term-table :deep(thead .box),
.term-table :deep(thead .name) {
  z-index: 4;
}

.name a {
  color: var(--ink);
  font-size: var(--text-2);
  font-weight: 600;
  text-decoration: none;
}

.name a:hover {
  text-decoration: underline;
}

.last {
  display: block;
  font-size: var(--text-1);
  font-weight: 400;
}

.assignment {
  display: grid;
  max-width: 92px;
  min-height: var(--target);
  padding: var(--space-1) 2px;
  font-size: var(--text-1);
  line-height: 1.2;
}

.assignment b {
  font-weight: 600;
}

.assignment:hover b {
  text-decoration: underline;
}

.help {
  width: 40px;
  text-align: end;
  font-variant-numeric: tabular-nums;
}
</style>
