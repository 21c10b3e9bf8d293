<script setup lang="ts">
/** The lanes of a hand-in: those on which there is something to see, and a list of all others, folded. */
import { laneName } from '@rudlo/core/assess'
import { allLanes, envelopeOf, lineInCharge, resolve } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const review = useReview()

/** Lanes with a line, lanes that the tasks are about, and settings that were changed. */
const worth = computed(() => {
  const { mix, assignment, handIn } = review
  if (!mix || !assignment) return []
  const start = assignment.startingMix
  const before = handIn?.before?.document.mix
  const points = (m: typeof mix | undefined, lane: string) =>
    JSON.stringify((m && lineInCharge(m, lane)?.points) ?? [])
  const asked = assignment.brief.tasks.flatMap((t) => t.lanes)
  return allLanes(mix)
    .filter(
      (lane) =>
        asked.includes(lane) ||
        (envelopeOf(mix, lane)?.points.length ?? 0) > 0 ||
        resolve(mix, lane)?.setting !== resolve(start, lane)?.setting,
    )
    .sort((a, b) => Number(asked.includes(b)) - Number(asked.includes(a)))
    .map((lane) => ({
      lane,
      name: laneName(review.song!, mix, lane),
      changed: before !== undefined && points(before, lane) !== points(mix, lane),
    }))
})
const rest = computed(() => {
  const shown = new Set(worth.value.map((w) => w.lane))
  return allLanes(review.mix!)
    .filter((lane) => !shown.has(lane))
    .map((lane) => ({ lane, name: laneName(review.song!, review.mix!, lane) }))
})
const isElsewhere = computed(() => !worth.value.some((w) => w.lane === review.address))
</script>

<template>
  <div class="tabs" role="group" :aria-label="t('lanes.label')">
    <AppButton small
      v-for="w in worth"
      :key="w.lane"
     
      :aria-pressed="review.address === w.lane"
      data-test="lane-tab"
      :tip="w.changed ? t('lanes.changed.tip') : ''"
      @click="review.address = w.lane"
    >
      {{ w.name }}<span v-if="w.changed" class="changed" :aria-label="t('lanes.changed')">●</span>
    </AppButton>
    <select
      class="rest"
      :class="{ on: isElsewhere }"
      :value="isElsewhere ? review.address : ''"
      :aria-label="t('lanes.rest.label')"
      data-test="other-lanes"
      @change="review.address = ($event.target as HTMLSelectElement).value"
    >
      <option value="" disabled>{{ t('lanes.rest', { n: rest.length }) }}</option>
      <option v-for="r in rest" :key="r.lane" :value="r.lane">{{ r.name }}</option>
    </select>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}

.changed {
  color: var(--warm);
  font-size: 11px;
}

.chip[aria-pressed='true'] .changed {
  color: inherit;
}

.rest {
  height: 32px;
  max-width: 220px;
  padding: 0 8px;
  border: 1px solid transparent;
  border-radius: 16px;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 14px;
}

.rest.on {
  border-color: var(--ink);
  color: var(--ink);
}
</style>
