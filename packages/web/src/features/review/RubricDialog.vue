<script setup lang="ts">
/** The rubric of an assignment: its levels and lines, what each means, and what is measured for it. */
import { CHECK_KINDS } from '@rudlo/core/checks'
import { restsOn, RUBRIC_LIMITS, USUAL_RUBRIC, type Rubric } from '@rudlo/core/rubric'
import { computed, ref, watch } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

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
    .map(({ kind, name }) => ({ value: kind, title: asked.has(kind) ? t('rubric.asked', { name }) : name }))
})
/** How many checks a line rests on, and how many of them are asked in this assignment. */
function restsWords(line: Line): string {
  const rests = restsOn(line)
  const asked = review.assignment!.brief.tasks.flatMap((t) => t.checks.filter((c) => rests.includes(c.kind)))
  return asked.length === 1 ? '1 check' : `${asked.length} checks`
}

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
  <v-dialog v-model="open" :aria-label="t('rubric.title')" max-width="1040">
    <form class="sheet form rubric" data-test="rubric" @submit.prevent="save">
      <div class="head">
        <h2>{{ t('rubric.about', { title: review.assignment!.title }) }}</h2>
        <label class="levels">
          {{ t('rubric.levels') }}
          <select
            :value="levels.length"
            :aria-label="t('rubric.levels.label')"
            @change="setLevels(Number(($event.target as HTMLSelectElement).value))"
          >
            <option
              v-for="n in RUBRIC_LIMITS.levels[1] - RUBRIC_LIMITS.levels[0] + 1"
              :key="n"
              :value="n + RUBRIC_LIMITS.levels[0] - 1"
            >
              {{ n + RUBRIC_LIMITS.levels[0] - 1 }}
            </option>
          </select>
        </label>
        <AppButton small type="button" @click="take(USUAL_RUBRIC)">{{ t('rubric.usual') }}</AppButton>
      </div>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">{{ t('rubric.line') }}</th>
              <th v-for="(_, i) in levels" :key="i" scope="col">
                <input
                  v-model="levels[i]"
                  :aria-label="t('rubric.level-name', { number: i + 1 })"
                  :maxlength="RUBRIC_LIMITS.name"
                />
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(line, k) in lines" :key="line.id">
              <th scope="row">
                <input
                  v-model="line.name"
                  :aria-label="t('rubric.line-name', { number: k + 1 })"
                  :placeholder="t('rubric.name')"
                  :maxlength="RUBRIC_LIMITS.name"
                />
                <textarea
                  v-model="line.about"
                  rows="2"
                  :aria-label="t('rubric.line-about.label', { number: k + 1 })"
                  :placeholder="t('rubric.line-about')"
                  :maxlength="RUBRIC_LIMITS.text"
                />
                <v-select
                  :model-value="restsOn(line)"
                  :items="kinds"
                  multiple
                  density="compact"
                  hide-details
                  :label="t('rubric.proposed')"
                  class="rests"
                  :placeholder="t('rubric.proposed.none')"
                  data-test="rests"
                  @update:model-value="(rests: readonly string[]) => (line.rests = [...rests])"
                >
                  <template #selection="{ index }">
                    <span v-if="index === 0">{{ restsWords(line) }}</span>
                  </template>
                </v-select>
                <AppButton small type="button" @click="lines.splice(k, 1)">
                  <v-icon icon="$remove" size="16" />{{ t('rubric.remove') }}
                </AppButton>
              </th>
              <td v-for="(_, i) in levels" :key="i">
                <textarea
                  v-model="line.says[i]"
                  rows="5"
                  :aria-label="t('rubric.means.label', { level: i + 1, line: k + 1 })"
                  :placeholder="t('rubric.means')"
                  :maxlength="RUBRIC_LIMITS.text"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="foot">
        <AppButton small type="button" @click="add">{{ t('rubric.add') }}</AppButton>
        <span class="soft">{{ t('rubric.gone') }}</span>
        <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
        <AppButton tone="main" type="submit" data-test="save-rubric">{{ t('ui.save') }}</AppButton>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.rubric {
  display: flex;
  flex-direction: column;
  gap: 12px;
  max-height: 86vh;
  padding: 20px 24px;
}

.head,
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}

.head h2 {
  flex: 1;
  font-size: 20px;
}

.foot .soft {
  flex: 1;
  font-size: 14px;
}

.scroll {
  overflow: auto;
}

table {
  width: 100%;
  border-spacing: 6px;
}

th,
td {
  vertical-align: top;
  text-align: left;
  font-weight: 400;
}

th[scope='row'] {
  display: grid;
  gap: 4px;
  justify-items: start;
  min-width: 190px;
  font-size: 14px;
}

input,
textarea {
  width: 100%;
  min-width: 120px;
  font-size: 14px;
}

.problem {
  color: var(--warm);
}
.rests {
  margin-top: 8px;
}
</style>
