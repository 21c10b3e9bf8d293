<script setup lang="ts">
/** A hand-in in words: who, when, what changed since the version before, what was measured. */
import { sayMeasurement } from '@rudlo/core/assess'
import { listText } from '@rudlo/words'
import { sayChanges } from '@rudlo/core/compare'
import type { SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'
import type { CheckPlace } from '@rudlo/core/evidence'
import TermText from '../../ui/marks/TermText.vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import type { StudentTask as BriefTask } from '@rudlo/core/brief'
import type { MeasureProblem, ReviewedHandIn } from '@rudlo/contract/handins'
import { whenText } from '../../words/dates'
import { songTime } from '@rudlo/core/song'
import { overruled, refOfCheck, type Overrule, type Overrules } from '@rudlo/core/brief'
import { saidAssessment, Sayer, type SaidCheck, type SaidTask } from '@rudlo/sentences'
import FoundLine from './FoundLine.vue'
import FoundMistakes from './FoundMistakes.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  handIn: ReviewedHandIn
  tasks: readonly Pick<BriefTask, 'id' | 'title'>[]
  overrules: Overrules
}>()
const emit = defineEmits<{
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
const assessed = computed(() =>
  (said.value?.tasks ?? []).flatMap((t) => {
    const task = props.tasks.find((o) => o.id === t.task)
    return task && t.checks.length ? [{ ...t, title: task.title, open: shownOf(t) }] : []
  }),
)
/** What is shown of a task: what was overruled, and the first that is not met. */
function shownOf({ checks }: SaidTask): SaidCheck[] {
  const first = checks.find((c) => c.finding.verdict !== 'met' && !c.overruled)
  return checks.filter((c) => c.overruled || c === first)
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
  <section class="sheet summary" :aria-label="t('summary.label')">
    <h1>
      {{ t('summary.by', { number: handIn.number, student: handIn.student }) }}
      <span class="soft">{{ t('summary.at', { when: whenText(handIn.handedInAt) }) }}</span>
    </h1>
    <p v-if="handIn.said" class="said" data-test="said">“{{ handIn.said }}”</p>
    <p v-if="handIn.assessment" data-test="outcome"><b>{{ outcome }}</b> {{ hints }}</p>
    <p v-if="changes" class="changes" data-test="changes">
      <b>{{ t('summary.since', { number: handIn.before!.number }) }}</b> {{ changes }}
    </p>
    <ul v-if="assessed.length" class="tasks">
      <li v-for="task in assessed" :key="task.task" data-test="task-verdict">
        <VerdictSign :verdict="task.verdict" />
        <div>
          <b>{{ task.title }}</b>
          <p v-for="c in task.open" :key="c.check" class="open">
            <FoundLine
              :about="c.finding.sentence"
              :to="c.finding.verdict === 'met' && !c.overruled ? 'not yet' : 'met'"
              :overrule="overrules[refOfCheck(c)]"
              @show="emit('show', c.finding.place)"
              @take="emit('take', c.finding.place, c.finding.sentence, c.name)"
              @overrule="(to) => emit('overrule', refOfCheck(c), to)"
              >{{ c.finding.sentence }}</FoundLine
            >
          </p>
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
.summary {
  display: grid;
  flex: none;
  gap: 5px;
  max-height: 212px;
  padding: 10px 16px;
  overflow-y: auto;
}

h1 {
  font-size: 18px;
}

.failed {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}

h1 .soft {
  margin-left: 6px;
  font-size: 14px;
  font-weight: 400;
  letter-spacing: 0;
}

ul {
  margin: 0;
  padding: 0;
  font-size: 15px;
  list-style: none;
}

.all {
  padding-left: 18px;
  columns: 2;
  column-gap: 28px;
  list-style: disc;
}

.all li {
  break-inside: avoid;
  padding-bottom: 3px;
}

.said {
  font-size: 16px;
  font-style: italic;
}

.tasks {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 6px 18px;
}

.tasks li {
  display: flex;
  gap: 8px;
}

.open {
  display: flex;
  flex-wrap: wrap;
  gap: 0 2px;
  align-items: center;
  line-height: 1.3;
}

.open :deep(.sentence) {
  flex: 1 1 100%;
}

@media (max-height: 700px) {
  .summary {
    max-height: 132px;
    padding-block: 8px;
  }

  ul {
    font-size: 14px;
  }
}
</style>
