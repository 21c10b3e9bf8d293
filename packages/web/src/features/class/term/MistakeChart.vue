<script setup lang="ts">
/** The commonest mistakes, ranked. A bar opens the places, which are played one after the other. */
import type { CommonMistake } from '@rudlo/core/term'
import { mistakeName } from '@rudlo/core/mistakes'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import RankedChart from '../../../charts/RankedChart.vue'
import { t } from '../../../words/t'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import { useTerm } from './term-store'

const props = defineProps<{
  mistakes: readonly CommonMistake[]
  /** How many students there are. */
  of: number
  group: string
  test: string
}>()

const store = useTerm()
const router = useRouter()
const shown = ref<CommonMistake | null>(null)
const bars = computed(() =>
  props.mistakes.map((m) => ({
    id: m.kind,
    name: mistakeName(m.kind),
    count: m.students,
    weight: m.severity,
  })),
)
/** The assignments in which it is, each with whose hand-ins. */
const where = computed(() => {
  const places = shown.value?.places ?? []
  return [...new Set(places.map((p) => p.assignment))].map((id) => ({
    id,
    title: store.term?.assignments.find((a) => a.id === id)?.title ?? '',
    names: places.filter((p) => p.assignment === id).map((p) => store.nameOf(p.student)),
  }))
})

function show(kind: string): void {
  const found = props.mistakes.find((m) => m.kind === kind) ?? null
  const assignments = new Set(found?.places.map((p) => p.assignment))
  if (found && assignments.size === 1) void hear(kind, [...assignments][0]!)
  else shown.value = found
}
const hear = (kind: string, assignment: string) =>
  router.push({ path: `/round/${assignment}`, query: { mistake: kind } })
</script>

<template>
  <p v-if="!bars.length" class="soft">{{ t('term.mistakes.none') }}</p>
  <RankedChart
    v-else
    :label="t('term.mistakes.label')"
    :counted="t('term.mistakes.students')"
    :bars="bars"
    :of="of"
    :test="test"
    opens
    @open="show"
  />
  <AppDialog
    :model-value="shown !== null"
    :title="shown ? mistakeName(shown.kind) : ''"
    @update:model-value="shown = null"
  >
    <p class="soft">{{ t('term.mistakes.where') }}</p>
    <ul class="plain-list">
      <li v-for="a in where" :key="a.id">
        <span class="what"><b>{{ a.title }}</b><span class="soft">{{ a.names.join(', ') }}</span></span>
        <AppButton icon="play" data-test="hear-mistake" @click="hear(shown!.kind, a.id)">{{
          t('term.mistakes.hear', { n: a.names.length })
        }}</AppButton>
      </li>
    </ul>
  </AppDialog>
</template>

<style scoped>
li {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  padding: var(--space-2) 0;
}

.what {
  display: grid;
  flex: 1;
}
</style>
