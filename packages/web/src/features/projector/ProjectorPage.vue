<script setup lang="ts">
/** Pictures of the class without names, large: to be talked about in front of everybody. */
import type { TermView } from '@rudlo/contract/term'
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { LineOfOne } from '@rudlo/contract/handins'
import { mistakeName } from '@rudlo/core/mistakes'
import { songTime } from '@rudlo/core/song'
import { useFullscreen } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { server, told } from '../../api/client'
import RankedChart from '../../charts/RankedChart.vue'
import CrowdLane from '../../desk/crowd/CrowdLane.vue'
import { useCrowd } from '../../desk/crowd/use-crowd'
import { useSpan } from '../../editor/lane/use-span'
import BestThree from './BestThree.vue'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'

const props = defineProps<{ group: string }>()

const term = shallowRef<TermView | null>(null)
const view = shallowRef<AssignmentView | null>(null)
const lines = shallowRef<readonly LineOfOne[]>([])
const problem = ref('')
const assignmentId = ref('')
const taskId = ref('')
const screen = ref<HTMLElement>()
const { isFullscreen, toggle } = useFullscreen(screen)

async function load(): Promise<void> {
  problem.value = ''
  try {
    term.value = await told(server.groups[':group'].term.$get({ param: { group: props.group } }))
    // the newest that most have handed in, else the newest that somebody has
    const { cells, assignments, students } = term.value
    const handedIn = (id: string) => cells.filter((c) => c.assignment === id && c.handIn).length
    const shown =
      assignments.findLast((a) => handedIn(a.id) * 2 > students.length) ??
      assignments.findLast((a) => handedIn(a.id) > 0)
    assignmentId.value = shown?.id ?? ''
  } catch (error) {
    problem.value = (error as Error).message
  }
}
watch(() => props.group, load, { immediate: true })

const assignment = computed(() => term.value?.assignments.find((a) => a.id === assignmentId.value) ?? null)
const task = computed(() => assignment.value?.tasks.find((x) => x.id === taskId.value) ?? null)
watch(assignment, (a) => (taskId.value = (a?.tasks.find((x) => x.lane) ?? a?.tasks[0])?.id ?? ''))

const time = computed(() => (view.value ? songTime(view.value.songDocument) : null))
const { span, zoom, scroll, show } = useSpan(() => time.value)
watch([assignmentId, taskId], async ([id, of]) => {
  if (!id || !of) return
  const isWanted = () => assignmentId.value === id && taskId.value === of
  const lane = task.value?.lane
  lines.value = []
  try {
    const [opened, found] = await Promise.all([
      view.value?.id === id
        ? view.value
        : told(server.assignments[':assignment'].$get({ param: { assignment: id } })),
      lane
        ? told(server.assignments[':assignment'].lines.$get({ param: { assignment: id }, query: { lane } }))
        : [],
    ])
    // somebody chose something else meanwhile
    if (!isWanted()) return
    view.value = opened
    // nobody is named in front of everybody
    lines.value = found.map((l) => ({ ...l, student: '' }))
    const at = opened.brief.tasks.find((x) => x.id === of)
    if (at) show({ from: at.from, to: at.to })
  } catch (error) {
    if (isWanted()) problem.value = (error as Error).message
  }
})

const { control, drawn, middle } = useCrowd(() => ({
  song: view.value?.songDocument,
  start: view.value?.startingMix,
  lane: task.value?.lane,
  lines: lines.value,
}))
/** How the task stands in the newest version of everybody: met, close, not yet. */
const counts = computed(() => {
  const i = assignment.value?.tasks.findIndex((x) => x.id === taskId.value) ?? -1
  const all = (term.value?.cells ?? [])
    .filter((c) => c.assignment === assignmentId.value)
    .flatMap((c) => c.tasks[i] ?? [])
  return (['met', 'close', 'not yet'] as const).map((verdict, k) => ({
    id: verdict,
    name: t(`term.task.${verdict}`),
    count: all.filter((v) => v === verdict).length,
    weight: k + 1,
  }))
})
const judged = computed(() => counts.value.reduce((sum, c) => sum + c.count, 0))
const mistakes = computed(() =>
  (assignment.value?.mistakes ?? []).slice(0, 4).map((m) => ({
    id: m.kind,
    name: mistakeName(m.kind),
    count: m.students,
    weight: m.severity,
  })),
)
</script>

<template>
  <AppHeader compact :before="term?.group.name" :title="t('projector.title')">
    <AppButton small icon="fullscreen" data-test="fullscreen" @click="toggle">{{
      t('projector.fullscreen')
    }}</AppButton>
    <AppButton small :to="`/class/${group}`">{{ t('projector.back') }}</AppButton>
  </AppHeader>
  <main ref="screen" class="projector">
    <RoomState
      :problem="problem"
      :loading="!term"
      :empty="term && !assignment ? { title: t('projector.none'), text: t('projector.none.text') } : null"
      @again="load"
    >
      <template #room>
        <header>
          <h1>{{ task?.title }}</h1>
          <SelectField
            v-model="assignmentId"
            class="which"
            :label="t('projector.assignment')"
            :choices="(term?.assignments ?? []).map((a) => ({ value: a.id, text: a.title }))"
          />
          <SelectField
            v-model="taskId"
            class="which"
            :label="t('term.task')"
            :choices="(assignment?.tasks ?? []).map((x) => ({ value: x.id, text: x.title }))"
            data-test="projector-task"
          />
          <AppButton v-if="isFullscreen" icon="fullscreenExit" @click="toggle">{{
            t('projector.leave')
          }}</AppButton>
        </header>
        <section v-if="control && view && time" class="sheet crowd">
          <CrowdLane
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
          />
          <p class="soft">
            {{ t('projector.lines', { n: drawn.length }) }} {{ middle ? t('compare.shaded') : '' }}
          </p>
        </section>
        <div class="beside">
          <section class="sheet">
            <h2>{{ t('projector.how') }}</h2>
            <RankedChart
              :label="t('projector.how')"
              :counted="t('term.mistakes.students')"
              :bars="counts"
              :of="Math.max(1, judged)"
              test="projector-counts"
              large
            />
          </section>
          <section class="sheet">
            <h2>{{ t('term.mistakes') }}</h2>
            <p v-if="!mistakes.length" class="soft">{{ t('term.mistakes.none') }}</p>
            <RankedChart
              v-else
              :label="t('term.mistakes')"
              :counted="t('term.mistakes.students')"
              :bars="mistakes"
              :of="Math.max(1, judged)"
              test="projector-mistakes"
              large
            />
          </section>
          <BestThree v-if="view" :assignment="view" :span="span" />
        </div>
      </template>
    </RoomState>
  </main>
</template>

<style scoped>
.projector {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  min-height: calc(100dvh - 54px);
  padding: var(--space-5) var(--space-6);
  background: var(--paper);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

h1 {
  flex: 1;
  font-size: var(--text-6);
}

h2 {
  font-size: var(--text-4);
}

.which {
  flex: 0 1 260px;
}

.crowd {
  display: grid;
  gap: var(--space-2);
  padding: var(--space-4);
  font-size: var(--text-3);
}

.crowd :deep(.crowd-lane) {
  height: 44vh;
}

.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
  gap: var(--space-4);
}

.beside > * {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  padding: var(--space-4) var(--space-5);
}

@media (max-width: 900px) {
  .beside {
    grid-template-columns: 1fr;
  }
}
</style>
