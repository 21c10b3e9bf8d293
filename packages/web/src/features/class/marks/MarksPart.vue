<script setup lang="ts">
/** Marks of a class in the school’s own scale: everybody at every assignment, and overall. */
import type { GradeCell, OverallView } from '@rudlo/contract/grades'
import { computed, ref, watch } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import RowButton from '../../../ui/buttons/RowButton.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import AppMenu from '../../../ui/overlays/AppMenu.vue'
import NoticeBar from '../../../ui/overlays/NoticeBar.vue'
import RoomState from '../../../ui/page/RoomState.vue'
import FigureTable from '../../../ui/tables/FigureTable.vue'
import { t } from '../../../words/t'
import CellDialog from './CellDialog.vue'
import { useMarks } from './marks-store'
import OverallDialog from './OverallDialog.vue'
import SchemeDialog from './SchemeDialog.vue'

const props = defineProps<{ group: string }>()

const store = useMarks()
const criterion = ref('')
const setting = ref(false)
const cell = ref<GradeCell | null>(null)
const overall = ref<OverallView | null>(null)
watch(
  () => props.group,
  (id) => void store.open(id),
  { immediate: true },
)

const grades = computed(() => store.grades!)
/** Every criterion of the term, by name: several assignments share them. */
const criteria = computed(() => [
  { value: '', text: t('marks.criterion.all') },
  ...[
    ...new Map(grades.value.assignments.flatMap((a) => a.criteria.map((c) => [c.id, c.name] as const))),
  ].map(([value, text]) => ({ value, text })),
])
const byStudent = computed(() => {
  const all = new Map<string, Map<string, GradeCell>>()
  for (const c of grades.value.cells) {
    if (!all.has(c.student)) all.set(c.student, new Map())
    all.get(c.student)!.set(c.assignment, c)
  }
  return all
})

/** What stands in a cell: the mark, the level of the chosen criterion, or why there is none. */
function textOf(c: GradeCell): string {
  if (c.excused !== null) return t('marks.excused')
  if (criterion.value) {
    const level = c.marks[criterion.value]
    const of = grades.value.assignments.find((a) => a.id === c.assignment)!
    return level === undefined ? '' : (of.levels[level] ?? '')
  }
  if (c.share !== null) return store.textOf(c.share)
  return c.missing ? t('marks.missing') : c.handIn ? t('marks.open') : ''
}
/** Whether there is no mark that counts. */
const isNone = (c: GradeCell) => c.excused !== null || (c.share === null && !criterion.value)
const overallOf = (s: OverallView) => store.textOf(s.byHand[0]?.share ?? s.rule)
const isByHand = (s: OverallView) => (s.byHand[0]?.share ?? null) !== null
const isDropped = (s: OverallView, assignment: string) => s.dropped.includes(assignment)
const tableUrl = computed(() => `/api/groups/${props.group}/grades.csv`)
const rosterUrl = computed(() => `/api/groups/${props.group}/results.zip`)
</script>

<template>
  <RoomState
    :problem="store.problem"
    :loading="!store.grades"
    :empty="
      store.grades && !store.grades.assignments.length
        ? { title: t('term.nothing'), text: t('term.nothing.text') }
        : null
    "
    @again="store.open(group)"
  >
    <template #room>
      <section class="sheet marks-part" :aria-label="t('class.tab.marks')">
        <header>
          <SelectField
            v-model="criterion"
            class="criterion"
            :label="t('marks.criterion')"
            :choices="criteria"
            data-test="criterion"
          />
          <span class="push" />
          <AppButton data-test="scheme" @click="setting = true">{{ t('marks.scheme') }}</AppButton>
          <AppMenu :label="t('marks.files')">
            <template #opener="{ opener }"
              ><AppButton v-bind="opener" icon="files" data-test="mark-files">{{
                t('marks.files')
              }}</AppButton></template
            >
            <v-list-item
              :href="tableUrl"
              download
              :title="t('marks.files.csv')"
              role="menuitem"
              data-test="csv"
            />
            <v-list-item
              :href="rosterUrl"
              download
              :title="t('marks.files.one-roster')"
              role="menuitem"
              data-test="one-roster"
            />
          </AppMenu>
        </header>
        <FigureTable class="table" :label="t('class.tab.marks')">
          <thead>
            <tr>
              <th scope="col" class="name">{{ t('term.student') }}</th>
              <th v-for="a in grades.assignments" :key="a.id" scope="col">
                {{ a.title }}
                <span v-if="(grades.scheme.weights[a.id] ?? 1) !== 1" class="soft">{{
                  t('marks.weight.times', { weight: grades.scheme.weights[a.id]! })
                }}</span>
              </th>
              <th scope="col" class="overall">{{ t('marks.overall') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in grades.students" :key="s.student" data-test="marks-row">
              <th scope="row" class="name">
                <router-link :to="`/class/${group}/student/${s.student}`">{{ s.name }}</router-link>
              </th>
              <td v-for="a in grades.assignments" :key="a.id">
                <RowButton
                  class="mark"
                  :class="{ dropped: isDropped(s, a.id), none: isNone(byStudent.get(s.student)!.get(a.id)!) }"
                  :tip="isDropped(s, a.id) ? t('marks.dropped') : undefined"
                  :aria-label="
                    t('marks.cell', {
                      name: s.name,
                      title: a.title,
                      mark: textOf(byStudent.get(s.student)!.get(a.id)!) || t('marks.none'),
                    })
                  "
                  data-test="mark"
                  @click="cell = byStudent.get(s.student)!.get(a.id)!"
                  >{{ textOf(byStudent.get(s.student)!.get(a.id)!) || '·'
                  }}<span v-if="byStudent.get(s.student)!.get(a.id)!.changes.length" class="soft changed">{{
                    t('marks.changed.sign')
                  }}</span></RowButton
                >
              </td>
              <td class="overall">
                <RowButton
                  class="mark"
                  :aria-label="
                    t('marks.cell', {
                      name: s.name,
                      title: t('marks.overall'),
                      mark: overallOf(s) || t('marks.none'),
                    })
                  "
                  data-test="overall"
                  @click="overall = s"
                  ><b>{{ overallOf(s) || '·' }}</b
                  ><span v-if="isByHand(s)" class="soft changed">{{
                    t('marks.by-hand.sign')
                  }}</span></RowButton
                >
              </td>
            </tr>
          </tbody>
        </FigureTable>
        <p class="soft">{{ t('marks.about') }}</p>
      </section>
      <SchemeDialog v-model="setting" />
      <CellDialog :cell="cell" @close="cell = null" />
      <OverallDialog :of="overall" @close="overall = null" />
      <NoticeBar v-model="store.notice" />
    </template>
  </RoomState>
</template>

<style scoped>
.marks-part {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-3);
  padding: var(--space-3) var(--space-4);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.criterion {
  flex: 0 1 320px;
}

.push {
  flex: 1;
}

.table {
  max-height: calc(100dvh - 260px);
  overflow: auto;
  /* what is opaque is moved as a picture when it is scrolled, not painted anew */
  background: var(--sheet);
}

.table :deep(.v-table__wrapper) {
  overflow: visible;
}

.table :deep(th),
.table :deep(td) {
  height: 40px;
  padding: 0 var(--space-2);
}

thead th {
  position: sticky;
  z-index: 2;
  top: 0;
  max-width: 130px;
  background: var(--sheet);
  font-size: var(--text-1);
  line-height: 1.2;
  vertical-align: bottom;
}

.name {
  white-space: nowrap;
}

.name a {
  color: var(--ink);
  font-weight: 600;
  text-decoration: none;
}

.name a:hover {
  text-decoration: underline;
}

.mark {
  min-width: var(--target);
  min-height: var(--target);
  padding: 0 var(--space-2);
}

.none {
  color: var(--soft);
  font-weight: 400;
}

.mark:hover {
  background: var(--wash);
}

.dropped {
  color: var(--soft);
  text-decoration: line-through;
}

.changed {
  margin-left: 4px;
  font-size: var(--text-1);
}

.overall {
  border-left: 2px solid var(--rule);
}
</style>
