<script setup lang="ts">
/** The overall mark of a student: by the rule, or by hand with the reason; what it was before stays known. */
import type { OverallView } from '@rudlo/contract/grades'
import { gradeText } from '@rudlo/core/grades'
import { computed, ref, watch } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import NumberField from '../../../ui/fields/NumberField.vue'
import TextField from '../../../ui/fields/TextField.vue'
import { attempt } from '../../../ui/forms/attempt'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { useMarks } from './marks-store'

const props = defineProps<{ of: OverallView | null }>()
const emit = defineEmits<{ close: [] }>()

const store = useMarks()
const percent = ref<number | null>(null)
const reason = ref('')
const problem = ref('')
const byHand = computed(() => props.of?.byHand[0]?.share ?? null)
watch(
  () => props.of,
  (of) => {
    const share = of?.byHand[0]?.share ?? of?.rule ?? null
    percent.value = share === null ? null : Math.round(share * 100)
    reason.value = ''
    problem.value = ''
  },
)
const shown = computed(() =>
  percent.value === null || !store.grades ? '' : gradeText(store.grades.scheme.scale, percent.value / 100),
)

const set = (share: number | null) =>
  attempt(
    async () => {
      await store.setOverall(props.of!.student, share, reason.value.trim())
      emit('close')
    },
    (sentence) => (problem.value = sentence),
  )
</script>

<template>
  <AppDialog
    :model-value="of !== null"
    :title="of ? t('marks.overall.of', { name: of.name }) : ''"
    @update:model-value="emit('close')"
  >
    <template v-if="of">
      <p>
        {{
          of.rule === null
            ? t('marks.overall.no-rule')
            : t('marks.overall.rule', { mark: store.textOf(of.rule), n: Math.round(of.rule * 100) })
        }}
      </p>
      <NumberField
        v-model="percent"
        :label="t('marks.overall.percent')"
        unit="%"
        :min="0"
        :max="100"
        :hint="shown ? t('marks.overall.is', { mark: shown }) : undefined"
        data-test="overall-percent"
      />
      <TextField v-model="reason" :label="t('marks.overall.reason')" data-test="overall-reason" />
      <FormProblem :text="problem" />
      <section v-if="of.byHand.length">
        <h3>{{ t('marks.overall.trail') }}</h3>
        <ul>
          <li v-for="(o, i) in of.byHand" :key="i">
            {{
              t(o.share === null ? 'marks.overall.back' : 'marks.overall.entry', {
                mark: store.textOf(o.share),
                reason: o.reason,
                by: o.by,
                when: whenText(o.at),
              })
            }}
          </li>
        </ul>
      </section>
    </template>
    <template #acts>
      <AppButton v-if="byHand !== null" data-test="by-rule" @click="set(null)">{{
        t('marks.overall.by-rule')
      }}</AppButton>
      <AppButton
        tone="main"
        :disabled="percent === null"
        data-test="by-hand"
        @click="set((percent ?? 0) / 100)"
        >{{ t('marks.overall.by-hand') }}</AppButton
      >
    </template>
  </AppDialog>
</template>

<style scoped>
h3 {
  font-size: var(--text-2);
}

ul {
  margin: 0;
  padding-left: var(--space-5);
}
</style>
