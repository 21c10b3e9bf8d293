<script setup lang="ts">
/** The rubric of an assignment: its levels and lines, what each means, and what is measured for it. */
import { CHECK_KINDS } from '@rudlo/core/checks'
import { restsOn, RUBRIC_LIMITS, usualRubric, type Rubric } from '@rudlo/core/rubric'
import { computed, ref, watch } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import TextField from '../../ui/fields/TextField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextArea from '../../ui/fields/TextArea.vue'
import FigureTable from '../../ui/tables/FigureTable.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { t } from '../../words/t'
import MultiSelect from '../../ui/fields/MultiSelect.vue'

const open = defineModel<boolean>({ required: true })
const review = useReview()
const problem = ref('')

interface Line {
  id: string
  name: string
  about: string
  aspect: Rubric['criteria'][number]['aspect']
  rests?: readonly string[]
  says: string[]
}
const levels = ref<string[]>([])
const lines = ref<Line[]>([])

/** Checks that a mark may rest on: those of this assignment first. */
const kinds = computed(() => {
  const asked = new Set(review.assignment!.brief.tasks.flatMap((t) => t.checks.map((c) => c.kind)))
  return [...CHECK_KINDS]
    .sort((a, b) => Number(asked.has(b.kind)) - Number(asked.has(a.kind)))
    .map(({ kind, name }) => ({ value: kind, text: asked.has(kind) ? t('rubric.asked', { name }) : name }))
})
/** How many checks a line rests on, and how many of them are asked in this assignment. */
function restsWords(line: Line): string {
  const rests = restsOn(line)
  const asked = review.assignment!.brief.tasks.flatMap((t) => t.checks.filter((c) => rests.includes(c.kind)))
  return t('rubric.checks', { n: asked.length })
}

/** How many levels there can be. */
const COUNTS = Array.from({ length: RUBRIC_LIMITS.levels[1] - RUBRIC_LIMITS.levels[0] + 1 }, (_, i) => ({
  value: i + RUBRIC_LIMITS.levels[0],
  text: String(i + RUBRIC_LIMITS.levels[0]),
}))

function take({ levels: names, criteria }: Rubric): void {
  levels.value = [...names]
  lines.value = criteria.map((c) => ({ ...c, says: names.map((_, i) => c.says[i] ?? '') }))
}

watch(open, (is) => {
  problem.value = ''
  if (is) take(review.assignment!.rubric)
})

function setLevels(count: number): void {
  levels.value = Array.from({ length: count }, (_, i) => levels.value[i] ?? '')
  for (const line of lines.value) line.says = levels.value.map((_, i) => line.says[i] ?? '')
}

function add(): void {
  const id = crypto.randomUUID()
  lines.value.push({ id, name: '', about: '', aspect: null, says: levels.value.map(() => '') })
}

const save = () =>
  attempt(
    async () => {
      const rubric: Rubric = { levels: levels.value, criteria: lines.value }
      await told(
        server.assignments[':assignment'].rubric.$put({
          param: { assignment: review.assignment!.id },
          json: { rubric },
        }),
      )
      review.assignment = {
        ...review.assignment!,
        rubric: {
          levels: [...levels.value],
          criteria: lines.value.map((line) => ({ ...line })),
        },
      }
      open.value = false
    },
    (sentence) => (problem.value = sentence),
  )
</script>

<template>
  <AppDialog
    v-model="open"
    :title="t('rubric.about', { title: review.assignment!.title })"
    :width="1040"
    data-test="rubric"
  >
    <template #head>
      <SelectField
        class="levels"
        :label="t('rubric.levels.label')"
        :model-value="levels.length"
        :choices="COUNTS"
        @update:model-value="setLevels"
      />
      <AppButton small @click="take(usualRubric())">{{ t('rubric.usual') }}</AppButton>
    </template>
    <form id="rubric" @submit.prevent="save">
      <FigureTable :label="t('rubric.title')">
        <thead>
          <tr>
            <th scope="col">{{ t('rubric.line') }}</th>
            <th v-for="(_, i) in levels" :key="i" scope="col">
              <TextField
                v-model="levels[i]!"
                bare
                :label="t('rubric.level-name', { number: i + 1 })"
                :maxlength="RUBRIC_LIMITS.name"
              />
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, k) in lines" :key="line.id">
            <th scope="row">
              <div class="criterion">
                <TextField
                  v-model="line.name"
                  compact
                  :label="t('rubric.line-name', { number: k + 1 })"
                  :maxlength="RUBRIC_LIMITS.name"
                />
                <TextArea
                  v-model="line.about"
                  compact
                  :rows="2"
                  :label="t('rubric.line-about')"
                  :maxlength="RUBRIC_LIMITS.text"
                />
                <MultiSelect
                  :model-value="restsOn(line)"
                  :choices="kinds"
                  :label="t('rubric.proposed')"
                  :none="t('rubric.proposed.none')"
                  :said="restsWords(line)"
                  data-test="rests"
                  @update:model-value="(rests) => (line.rests = rests)"
                />
                <AppButton small icon="remove" @click="lines.splice(k, 1)">{{
                  t('rubric.remove')
                }}</AppButton>
              </div>
            </th>
            <td v-for="(_, i) in levels" :key="i">
              <TextArea
                v-model="line.says[i]!"
                bare
                :rows="5"
                :label="t('rubric.means.label', { level: levels[i] || i + 1, line: line.name || k + 1 })"
                :maxlength="RUBRIC_LIMITS.text"
              />
            </td>
          </tr>
        </tbody>
      </FigureTable>
      <FormProblem :text="problem" />
    </form>
    <template #acts>
      <AppButton small icon="add" @click="add">{{ t('rubric.add') }}</AppButton>
      <span class="soft note">{{ t('rubric.gone') }}</span>
      <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
      <AppButton tone="main" type="submit" form="rubric" data-test="save-rubric">{{
        t('ui.save')
      }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.levels {
  flex: 0 0 210px;
}

.note {
  flex: 1;
  font-size: var(--text-1);
}

th,
td {
  padding: var(--space-2) !important;
  vertical-align: top;
}

th[scope='row'] {
  min-width: 226px;
}

.criterion {
  display: grid;
  gap: var(--space-2);
}

td {
  min-width: 150px;
}
</style>
