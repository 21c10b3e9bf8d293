<script setup lang="ts">
/** The lanes of a hand-in: those on which there is something to see, and a list of all others, folded. */
import { laneName } from '@rudlo/core/assess'
import { allLanes, envelopeOf, lineInCharge, resolve } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
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
const nameOf = (lane: string) => laneName(review.song!, review.mix!, lane)
const isElsewhere = computed(() => !worth.value.some((w) => w.lane === review.address))
</script>

<template>
  <div class="tabs" role="group" :aria-label="t('lanes.label')">
    <AppButton
      v-for="w in worth"
      :key="w.lane"
      small
      :aria-pressed="review.address === w.lane"
      data-test="lane-tab"
      :tip="w.changed ? t('lanes.changed.tip') : ''"
      @click="review.address = w.lane"
    >
      {{ w.name }}<span v-if="w.changed" class="changed" :aria-label="t('lanes.changed')">●</span>
    </AppButton>
    <AppMenu v-if="rest.length" :label="t('lanes.rest.label')">
      <template #opener="{ opener }"
        ><AppButton v-bind="opener" small tone="quiet" :aria-pressed="isElsewhere" data-test="other-lanes"
          >{{ isElsewhere ? nameOf(review.address) : t('lanes.rest', { n: rest.length })
          }}<v-icon icon="$choose" size="18" /></AppButton
      ></template>
      <MenuItem v-for="r in rest" :key="r.lane" @click="review.address = r.lane">{{ r.name }}</MenuItem>
    </AppMenu>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex: 0 1 auto;
  gap: var(--space-1);
  min-width: 0;
  overflow-x: auto;
  scrollbar-width: thin;
  align-items: center;
}

.changed {
  color: var(--warm);
  font-size: 11px;
}

.button[aria-pressed='true'] .changed {
  color: inherit;
}
</style>
