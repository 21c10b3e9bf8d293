<script setup lang="ts">
/** How marks are written and how an overall mark is worked out. */
import {
  GRADE_KINDS,
  MISSING_RULES,
  USUAL_LETTERS,
  type GradeLetter,
  type GradeScale,
  type MissingRule,
} from '@rudlo/core/grades'
import { usualRubric } from '@rudlo/core/rubric'
import { computed, ref, watch } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import IconButton from '../../../ui/buttons/IconButton.vue'
import NumberField from '../../../ui/fields/NumberField.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import TextField from '../../../ui/fields/TextField.vue'
import { attempt } from '../../../ui/forms/attempt'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import FoldSection from '../../../ui/page/FoldSection.vue'
import { t } from '../../../words/t'
import { useMarks } from './marks-store'

const open = defineModel<boolean>({ required: true })

const store = useMarks()
const kind = ref<GradeScale['kind']>('levels')
const most = ref<number | null>(15)
const letters = ref<GradeLetter[]>([])
const weights = ref<Record<string, number>>({})
const drop = ref<number | null>(0)
const missing = ref<MissingRule>('ignored')
const problem = ref('')
const weighing = ref(false)

watch(open, (is) => {
  const scheme = store.grades?.scheme
  if (!is || !scheme) return
  problem.value = ''
  kind.value = scheme.scale.kind
  most.value = scheme.scale.kind === 'points' ? scheme.scale.most : 15
  letters.value = [...(scheme.scale.kind === 'letters' ? scheme.scale.letters : USUAL_LETTERS)]
  weights.value = { ...scheme.weights }
  drop.value = scheme.drop
  missing.value = scheme.missing
  weighing.value = Object.keys(scheme.weights).length > 0
})

const kinds = GRADE_KINDS.map((value) => ({ value, text: t(`marks.scale.${value}`) }))
const rules = MISSING_RULES.map((value) => ({ value, text: t(`marks.missing.${value}`) }))
const levels = computed(() => store.grades?.assignments[0]?.levels ?? usualRubric().levels)

const scale = computed(
  (): GradeScale =>
    ({
      levels: { kind: 'levels', levels: levels.value } as const,
      points: { kind: 'points', most: most.value ?? 0 } as const,
      letters: { kind: 'letters', letters: letters.value } as const,
      percent: { kind: 'percent' } as const,
    })[kind.value],
)
function setLetter(i: number, change: Partial<GradeLetter>): void {
  letters.value = letters.value.map((l, k) => (k === i ? { ...l, ...change } : l))
}
function setWeight(id: string, weight: number | null): void {
  const others = Object.entries(weights.value).filter(([of]) => of !== id)
  weights.value = Object.fromEntries(weight === null || weight === 1 ? others : [...others, [id, weight]])
}
const save = () =>
  attempt(
    async () => {
      await store.setScheme({
        scale: scale.value,
        weights: weights.value,
        drop: drop.value ?? 0,
        missing: missing.value,
      })
      open.value = false
    },
    (sentence) => (problem.value = sentence),
  )
</script>

<template>
  <AppDialog v-model="open" :title="t('marks.scheme')" :width="620">
    <SelectField
      v-model="kind"
      :label="t('marks.scale')"
      :choices="kinds"
      :compact="false"
      data-test="scale"
    />
    <NumberField
      v-if="kind === 'points'"
      v-model="most"
      :label="t('marks.scale.most')"
      :min="1"
      :max="1000"
      data-test="most-points"
    />
    <div v-if="kind === 'letters'" class="letters">
      <div v-for="(l, i) in letters" :key="i" class="letter">
        <TextField
          compact
          :label="t('marks.letter')"
          :model-value="l.letter"
          @update:model-value="(letter) => setLetter(i, { letter })"
        />
        <NumberField
          compact
          :label="t('marks.letter.from')"
          unit="%"
          :min="0"
          :max="100"
          :model-value="l.from"
          @update:model-value="(from) => setLetter(i, { from: from ?? 0 })"
        />
        <IconButton
          v-if="letters.length > 2"
          icon="remove"
          :label="t('marks.letter.remove', { letter: l.letter })"
          @click="letters = letters.filter((_, k) => k !== i)"
        />
      </div>
      <AppButton small icon="add" @click="letters = [...letters, { letter: '', from: 0 }]">{{
        t('marks.letter.add')
      }}</AppButton>
    </div>
    <SelectField
      v-model="missing"
      :label="t('marks.missing.rule')"
      :choices="rules"
      :compact="false"
      data-test="missing-rule"
    />
    <NumberField v-model="drop" :label="t('marks.drop')" :min="0" :max="20" data-test="drop" />
    <FoldSection v-model="weighing" :title="t('marks.weights')">
      <div class="weights">
        <NumberField
          v-for="a in store.grades?.assignments ?? []"
          :key="a.id"
          compact
          :label="a.title"
          :min="0"
          :max="100"
          :model-value="weights[a.id] ?? 1"
          data-test="weight"
          @update:model-value="(w) => setWeight(a.id, w)"
        />
      </div>
    </FoldSection>
    <FormProblem :text="problem" />
    <template #acts>
      <AppButton tone="main" data-test="save-scheme" @click="save">{{ t('ui.save') }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.letters {
  display: grid;
  gap: var(--space-2);
  justify-items: start;
}

.letter {
  display: grid;
  grid-template-columns: 120px 140px auto;
  gap: var(--space-2);
  align-items: center;
}

.weights {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: var(--space-2) var(--space-3);
  padding-top: var(--space-2);
}
</style>
