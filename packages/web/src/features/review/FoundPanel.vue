<script setup lang="ts">
/** A hand-in in words, from top to bottom: who and when, then what was asked and what stands out; each row opens its place, picture and sound. */
import { sayMeasurement } from '@rudlo/core/assess'
import { listText } from '@rudlo/words'
import { sayChanges } from '@rudlo/core/compare'
import type { SongVersion } from '@rudlo/core/song'
import { computed, ref } from 'vue'
import type { CheckPlace } from '@rudlo/core/evidence'
import TermText from '../../ui/marks/TermText.vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import type { StudentTask as BriefTask } from '@rudlo/core/brief'
import type { MeasureProblem, ReviewedHandIn } from '@rudlo/contract/handins'
import { whenText } from '../../words/dates'
import { songTime } from '@rudlo/core/song'
import { overruled, refOfCheck, type Overrule, type Overrules } from '@rudlo/core/brief'
import { saidAssessment, Sayer, type SaidCheck } from '@rudlo/sentences'
import FoundLine from './FoundLine.vue'
import FoundMistakes from './FoundMistakes.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import { lateText } from '../../words/late'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  handIn: ReviewedHandIn
  tasks: readonly Pick<BriefTask, 'id' | 'title'>[]
  overrules: Overrules
  /** The task whose picture is shown. */
  chosen: string | null
}>()
const emit = defineEmits<{
  /** Shows what is heard of a task. */
  task: [task: string]
  /** Shows where something was found, and plays it. */
  show: [place: CheckPlace]
  /** Takes a sentence as the beginning of a remark. */
  take: [place: CheckPlace, sentence: string, subject: string]
  /** The teacher's word on something, or none any more. */
  overrule: [ref: string, to: Overrule | null]
  /** Has it measured once more. */
  measure: []
}>()

/** Why there are no figures. */
const PROBLEMS: Readonly<Record<MeasureProblem, string>> = {
  audio: t('summary.problem.damaged'),
  time: t('summary.problem.slow'),
  fault: t('summary.problem.other'),
}

const meter = computed(() => songTime(props.song).meter)
const sayer = computed(
  () =>
    new Sayer({
      song: props.song,
      mix: props.handIn.document.mix,
      start: props.handIn.before?.document.mix ?? props.handIn.document.mix,
    }),
)
const said = computed(() => {
  const { assessment } = props.handIn
  return assessment && saidAssessment(sayer.value, overruled(assessment, props.overrules))
})
/** A check that is met and was pressed: what was found is said of it, too. */
const opened = ref<string | null>(null)
/** A check with what is shown of it: met ones by their name alone, until they are pressed. */
interface Row {
  readonly check: SaidCheck
  readonly text: string
  readonly open: boolean
}
const rowOf = (check: SaidCheck): Row => {
  const open =
    check.finding.verdict !== 'met' || check.overruled !== undefined || opened.value === check.check
  return { check, open, text: open ? check.finding.sentence : check.name }
}
const isMet = ({ check }: Row) => check.finding.verdict === 'met' && !check.overruled
/** Tasks with their checks: what is not met comes first. */
const assessed = computed(() =>
  (said.value?.tasks ?? []).flatMap((t) => {
    const task = props.tasks.find((o) => o.id === t.task)
    const rows = t.checks.map(rowOf).sort((a, b) => Number(isMet(a)) - Number(isMet(b)))
    return task && rows.length ? [{ ...t, title: task.title, rows }] : []
  }),
)
/** Shows where a check was found, with what is heard there. */
function show(task: string, { check, finding }: SaidCheck): void {
  opened.value = check
  emit('task', task)
  emit('show', finding.place)
}
/** The first sentence: what was asked, and how much of it was met. */
const outcome = computed(() => {
  const met = assessed.value.filter((t) => t.verdict === 'met').length
  if (!assessed.value.length) return ''
  if (met === assessed.value.length) return t('summary.all-met')
  return t('summary.met', { met, of: assessed.value.length })
})
const hints = computed(() => {
  const opened = props.tasks.flatMap(({ id, title }) => {
    const count = props.handIn.hints.filter((h) => h.task === id).length
    return count ? [t('summary.hints-for', { count, title })] : []
  })
  return opened.length ? t('summary.hints', { list: listText(opened) }) : t('summary.hints.none')
})

const sentences = computed(() => {
  const { measurement, document } = props.handIn
  return measurement && sayer.value.all(sayMeasurement(document.mix, measurement))
})
const changes = computed(() => {
  const { before, measurement, document } = props.handIn
  if (!before?.measurement || !measurement) return ''
  const [old, now] = [
    { mix: before.document.mix, measured: before.measurement },
    { mix: document.mix, measured: measurement },
  ]
  return sayer.value.all(sayChanges(props.song, old, now)).join(' ')
})
</script>

<template>
  <section class="found" :aria-label="t('summary.label')">
    <h1>
      {{ t('summary.by', { number: handIn.number, student: handIn.student }) }}
      <span v-if="handIn.late > 0" class="late" data-test="desk-late">{{ lateText(handIn.late) }}</span>
      <span class="soft">{{ t('summary.at', { when: whenText(handIn.handedInAt) }) }}</span>
    </h1>
    <p v-if="handIn.said" class="said" data-test="said">“{{ handIn.said }}”</p>
    <p v-if="handIn.assessment" data-test="outcome"><b>{{ outcome }}</b> {{ hints }}</p>
    <p v-if="changes" class="changes" data-test="changes">
      <b>{{ t('summary.since', { number: handIn.before!.number }) }}</b> {{ changes }}
    </p>
    <ul v-if="assessed.length" class="tasks">
      <li
        v-for="task in assessed"
        :key="task.task"
        :class="{ on: task.task === chosen }"
        data-test="task-verdict"
      >
        <RowButton
          class="task"
          :aria-pressed="task.task === chosen"
          :tip="t('summary.task.tip')"
          @click="emit('task', task.task)"
          ><VerdictSign :verdict="task.verdict" /><b>{{ task.title }}</b></RowButton
        >
        <div
          v-for="{ check, text, open } in task.rows"
          :key="check.check"
          class="row"
          :class="{ open }"
          data-test="found-check"
        >
          <VerdictSign :verdict="check.finding.verdict" />
          <FoundLine
            :about="check.finding.sentence"
            :to="check.finding.verdict === 'met' && !check.overruled ? 'not yet' : 'met'"
            :overrule="overrules[refOfCheck(check)]"
            @show="show(task.task, check)"
            @take="emit('take', check.finding.place, check.finding.sentence, check.name)"
            @overrule="(to) => emit('overrule', refOfCheck(check), to)"
            >{{ text }}</FoundLine
          >
        </div>
      </li>
    </ul>
    <FoundMistakes
      :mistakes="said?.mistakes ?? []"
      :all="handIn.assessment?.mistakes ?? []"
      :overrules="overrules"
      :meter="meter"
      @show="(place) => emit('show', place)"
      @take="(place, sentence, subject) => emit('take', place, sentence, subject)"
      @overrule="(ref, to) => emit('overrule', ref, to)"
    />
    <FoldSection v-if="sentences" :title="t('summary.measured')" data-test="everything">
      <ul class="all" data-test="measured">
        <li v-for="s in sentences" :key="s"><TermText :text="s" /></li>
      </ul>
    </FoldSection>
    <div v-else-if="handIn.measureProblem" class="failed" role="alert" data-test="measure-problem">
      <p>{{ t('summary.unmeasured', { why: PROBLEMS[handIn.measureProblem] }) }}</p>
      <AppButton small data-test="measure-again" @click="emit('measure')">{{ t('summary.again') }}</AppButton>
    </div>
    <p v-else class="soft" role="status">{{ t('summary.measuring') }}</p>
  </section>
</template>

<style scoped>
.found {
  display: grid;
  gap: var(--space-2);
  align-content: start;
  min-height: 0;
  padding: var(--space-3) var(--space-3) var(--space-4);
  overflow-y: auto;
  font-size: var(--text-2);
}

h1 {
  font-size: var(--text-3);
}

h1 .soft {
  display: block;
  font-size: var(--text-1);
  font-weight: 400;
  letter-spacing: 0;
}

.failed {
  display: grid;
  gap: var(--space-2);
  justify-items: start;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.all {
  padding-left: 18px;
  list-style: disc;
}

.all li {
  padding-bottom: 3px;
}

.said {
  font-style: italic;
}

.tasks {
  display: grid;
  gap: var(--space-1);
}

.tasks li {
  padding: var(--space-1) var(--space-2);
  border: 1px solid transparent;
  border-radius: var(--radius);
}

.tasks .on {
  border-color: var(--rule);
  background: var(--sheet);
}

.task {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  width: 100%;
  min-height: 32px;
}

.row {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0 var(--space-2);
  align-items: start;
  padding: 2px 0 2px var(--space-2);
  color: var(--soft);
  font-size: var(--text-1);
  line-height: 1.35;
}

.row > :deep(.sign) {
  width: 15px;
  height: 15px;
  margin-top: 4px;
}

.row:not(.open) :deep(.acts) {
  display: none;
}

.row.open {
  color: var(--ink);
  font-size: var(--text-2);
}

.late {
  color: var(--warm);
  font-weight: 600;
}
</style>
