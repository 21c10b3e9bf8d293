<script setup lang="ts">
/** Everybody’s line of a task on top of each other, with the middle half shaded. */
import type { LineOfOne } from '@rudlo/contract/handins'
import { laneName } from '@rudlo/core/assess'
import { songTime } from '@rudlo/core/song'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import CrowdLane from '../../../desk/crowd/CrowdLane.vue'
import { useCrowd } from '../../../desk/crowd/use-crowd'
import { useSpan } from '../../../editor/lane/use-span'
import ChoiceButtons from '../../../ui/buttons/ChoiceButtons.vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import { attempt } from '../../../ui/forms/attempt'
import { t } from '../../../words/t'
import { useGlance } from './glance-store'

const props = defineProps<{ assignment: string; task: string }>()

const glance = useGlance()
const router = useRouter()
const lane = ref('')
const lines = shallowRef<readonly LineOfOne[] | null>(null)
const problem = ref('')

const view = computed(() => (glance.assignment?.id === props.assignment ? glance.assignment : null))
const time = computed(() => (view.value ? songTime(view.value.songDocument) : null))
const { span, zoom, scroll, show } = useSpan(() => time.value)
const task = computed(() => view.value?.brief.tasks.find((x) => x.id === props.task) ?? null)
const lanes = computed(() =>
  (task.value?.lanes ?? []).map((value) => ({
    value,
    text: laneName(view.value!.songDocument, view.value!.startingMix, value),
  })),
)
const { control, drawn, middle } = useCrowd(() => ({
  song: view.value?.songDocument,
  start: view.value?.startingMix,
  lane: lane.value,
  lines: lines.value,
}))

watch(
  () => [props.assignment, props.task],
  () =>
    attempt(
      async () => {
        problem.value = ''
        lines.value = null
        await glance.open(props.assignment)
        lane.value = task.value?.lanes[0] ?? ''
        if (task.value) show({ from: task.value.from, to: task.value.to })
      },
      (sentence) => (problem.value = sentence),
    ),
  { immediate: true },
)
watch(lane, (address) =>
  attempt(
    async () => {
      if (!address) return
      const found = await glance.lines(props.assignment, address)
      if (lane.value === address) lines.value = found
    },
    (sentence) => (problem.value = sentence),
  ),
)
</script>

<template>
  <p v-if="problem" role="alert">{{ problem }}</p>
  <p v-else-if="task && !task.lanes.length" class="soft">{{ t('term.no-line') }}</p>
  <div v-else-if="control && view && time" class="crowd-of-task">
    <div class="acts">
      <ChoiceButtons v-if="lanes.length > 1" v-model="lane" :choices="lanes" :label="t('compare.lane')" />
      <span class="soft">{{ t(middle ? 'compare.shaded' : 'compare.shaded.later') }}</span>
      <AppButton small :to="`/compare/${assignment}`">{{ t('term.compare') }}</AppButton>
    </div>
    <CrowdLane
      class="lane"
      :song="view.songDocument"
      :time="time"
      :control="control"
      :span="span"
      :lines="drawn"
      :middle="middle"
      :pointed="null"
      :position="null"
      @zoom="zoom"
      @scroll="scroll"
      @go="router.push(`/round/${assignment}`)"
    />
  </div>
</template>

<style scoped>
.crowd-of-task {
  display: grid;
  gap: var(--space-2);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
  justify-content: space-between;
}

.lane {
  height: 190px;
}
</style>
