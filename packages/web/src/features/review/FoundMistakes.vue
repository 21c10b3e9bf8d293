<script setup lang="ts">
/** The usual mistakes in a hand-in: shown, taken into a remark, or overruled. What was overruled stays in sight, to be taken back. */
import { refOfMistake, type FoundMistake, type Overrule, type Overrules } from '@rudlo/core/brief'
import type { CheckPlace } from '@rudlo/core/evidence'
import type { MeterMap } from '@rudlo/core/time'
import type { SaidMistake } from '@rudlo/sentences'
import { computed } from 'vue'
import { barsOf } from '../../desk/transport/loop-text'
import FoundLine from './FoundLine.vue'
import OverruleLine from './OverruleLine.vue'
import { t } from '../../words/t'

const props = defineProps<{
  /** Those that stand, worst first. */
  mistakes: readonly SaidMistake[]
  /** All that were found. */
  all: readonly FoundMistake[]
  overrules: Overrules
  meter: MeterMap
}>()
const emit = defineEmits<{
  show: [place: CheckPlace]
  take: [place: CheckPlace, sentence: string, subject: string]
  overrule: [ref: string, to: Overrule | null]
}>()

/** More than these are no summary. */
const MOST = 5
const none = computed(() => props.all.filter((m) => props.overrules[refOfMistake(m)]))
</script>

<template>
  <ul v-if="mistakes.length || none.length" :aria-label="t('found.mistakes')">
    <li v-for="m in mistakes.slice(0, MOST)" :key="m.kind + m.place.from" data-test="mistake-found">
      <FoundLine
        :about="m.name"
        :to="null"
        :overrule="undefined"
        @show="emit('show', m.place)"
        @take="emit('take', m.place, m.sentence, m.name)"
        @overrule="(to) => emit('overrule', refOfMistake(m), to)"
        ><b>{{ m.name }}</b>, {{ barsOf(m.place, meter) }}</FoundLine
      >
    </li>
    <li v-for="m in none" :key="refOfMistake(m)">
      <s>{{ m.name }}, {{ barsOf(m.place, meter) }}</s>
      <OverruleLine
        :about="m.name"
        :to="null"
        :overrule="overrules[refOfMistake(m)]"
        @change="(to) => emit('overrule', refOfMistake(m), to)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: var(--space-1) var(--space-2);
  border-top: 1px solid var(--rule);
  list-style: none;
}
</style>
