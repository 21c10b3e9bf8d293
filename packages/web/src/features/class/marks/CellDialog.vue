<script setup lang="ts">
/** One mark: of what it is made, what it was before, and whether the work is excused. */
import type { GradeCell } from '@rudlo/contract/grades'
import { computed, ref, watch } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import TextField from '../../../ui/fields/TextField.vue'
import { attempt } from '../../../ui/forms/attempt'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { useMarks } from './marks-store'

const props = defineProps<{ cell: GradeCell | null }>()
const emit = defineEmits<{ close: [] }>()

const store = useMarks()
const reason = ref('')
const problem = ref('')
const assignment = computed(() => store.grades?.assignments.find((a) => a.id === props.cell?.assignment))
const student = computed(() => store.grades?.students.find((s) => s.student === props.cell?.student))
watch(
  () => props.cell,
  (cell) => {
    reason.value = cell?.excused ?? ''
    problem.value = ''
  },
)

const nameOf = (id: string) => assignment.value?.criteria.find((c) => c.id === id)?.name ?? id
const lines = computed(() =>
  (assignment.value?.criteria ?? []).map((c) => {
    const level = props.cell?.marks[c.id]
    return {
      name: c.name,
      level: level === undefined ? t('marks.none') : (assignment.value!.levels[level] ?? ''),
    }
  }),
)
const excuse = (on: boolean) =>
  attempt(
    async () => {
      await store.excuse(props.cell!.assignment, props.cell!.student, on, reason.value.trim())
      emit('close')
    },
    (sentence) => (problem.value = sentence),
  )
</script>

<template>
  <AppDialog
    :model-value="cell !== null"
    :title="cell && student && assignment ? `${student.name}: ${assignment.title}` : ''"
    @update:model-value="emit('close')"
  >
    <template v-if="cell">
      <dl v-if="cell.excused === null">
        <template v-for="l in lines" :key="l.name">
          <dt>{{ l.name }}</dt>
          <dd>{{ l.level }}</dd>
        </template>
        <template v-if="cell.share !== null">
          <dt>{{ t('marks.together') }}</dt>
          <dd>
            <b>{{ store.textOf(cell.share) }}</b> ({{
              t('marks.percent', { n: Math.round(cell.share * 100) })
            }})
          </dd>
        </template>
      </dl>
      <p v-else>{{ t('marks.excused.because', { reason: cell.excused || t('marks.excused.no-reason') }) }}</p>
      <section v-if="cell.changes.length">
        <h3>{{ t('marks.changes') }}</h3>
        <ul>
          <li v-for="(c, i) in cell.changes" :key="i">
            {{
              t('marks.change', {
                name: nameOf(c.criterion),
                was: c.was || t('marks.none'),
                became: c.became || t('marks.none'),
                by: c.by,
                when: whenText(c.at),
              })
            }}
          </li>
        </ul>
      </section>
      <TextField
        v-if="cell.excused === null"
        v-model="reason"
        :label="t('marks.excused.reason')"
        data-test="excuse-reason"
      />
      <FormProblem :text="problem" />
    </template>
    <template #acts>
      <AppButton v-if="cell?.excused === null" data-test="excuse" @click="excuse(true)">{{
        t('marks.excuse')
      }}</AppButton>
      <AppButton v-else data-test="unexcuse" @click="excuse(false)">{{ t('marks.unexcuse') }}</AppButton>
      <AppButton v-if="cell?.handIn" tone="main" :to="`/review/${cell.assignment}/${cell.handIn}`">{{
        t('student.open')
      }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: var(--space-1) var(--space-4);
  margin: 0;
}

dt {
  color: var(--soft);
}

dd {
  margin: 0;
}

h3 {
  font-size: var(--text-2);
}

ul {
  margin: 0;
  padding-left: var(--space-5);
}
</style>
