<script setup lang="ts">
/** How far a class is, in small: a mark for each student, those who wait first. */
import type { GroupStanding } from '@rudlo/contract/assignments'
import { computed } from 'vue'
import { t } from '../../words/t'
import type { Sign } from '../../ui/marks/sign'
import StandingSign from '../../ui/marks/StandingSign.vue'

const props = defineProps<{ counts: GroupStanding }>()

/** So many are drawn one by one. */
const MOST = 40
const rest = computed(() => {
  const { students, waiting, held, givenBack } = props.counts
  return Math.max(0, students - waiting - held - givenBack)
})
const label = computed(() =>
  t('home.marks', {
    waiting: props.counts.waiting,
    held: props.counts.held,
    back: props.counts.givenBack,
    rest: rest.value,
  }),
)
const marks = computed<readonly Sign[]>(() => {
  const { waiting, held, givenBack } = props.counts
  const many = (sign: Sign, n: number): Sign[] => Array.from({ length: n }, () => sign)
  return [
    ...many('waiting', waiting),
    ...many('held', held),
    ...many('done', givenBack),
    ...many('new', rest.value),
  ]
})
</script>

<template>
  <span class="class-marks" role="img" :aria-label="label" :data-tip="label">
    <StandingSign v-for="(sign, i) in marks.slice(0, MOST)" :key="i" :sign="sign" />
    <span v-if="marks.length > MOST" class="soft">+{{ marks.length - MOST }}</span>
  </span>
</template>

<style scoped>
.class-marks {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  align-items: center;
}
</style>
