<script setup lang="ts">
/** What is to be done, task by task; and, once something came back, what the teacher said. */
import { computed, watch } from 'vue'
import MistakeNotes from '../../desk/guide/MistakeNotes.vue'
import TaskGuide from '../../desk/guide/TaskGuide.vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import { useGuide } from '../../desk/guide/guide-store'
import { useWork } from '../../document/work-store'
import HelpButton from './HelpButton.vue'
import { useSession } from '../../api/session-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import CameBack from './CameBack.vue'
import NotesPanel from './NotesPanel.vue'
import VersionList from './VersionList.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'

const bench = useBench()
const desk = useDesk()
const session = useSession()
const guide = useGuide()
const work = useWork()
const brief = computed(() => desk.given!.brief)
const isNews = computed(() => desk.returned !== null && desk.returned.id === desk.newest?.id)

watch(isNews, (news) => (bench.page = news ? 'back' : 'brief'), { immediate: true })
const open = computed(() => work.notes.filter((n) => !n.done).length)

/** What there is to read; what came back first calls for attention. */
const pages = computed(() => [
  { value: 'brief' as const, text: t('panel.tasks'), test: 'tasks' },
  ...(desk.returned
    ? [{ value: 'back' as const, text: t('panel.back', { number: desk.returned.number }), test: 'came-back' }]
    : []),
  ...(work.versions.length
    ? [{ value: 'versions' as const, text: t('panel.versions'), test: 'versions' }]
    : []),
  {
    value: 'notes' as const,
    text: open.value ? t('panel.notes.open', { open: open.value }) : t('panel.notes'),
    test: 'notes',
  },
])
</script>

<template>
  <div class="brief">
    <h1>{{ bench.assignment!.title }}</h1>
    <ChoiceButtons v-model="bench.page" class="pages" :choices="pages" :label="t('panel.label')" />
    <CameBack v-if="bench.page === 'back' && desk.returned" :version="desk.returned" />
    <VersionList v-else-if="bench.page === 'versions'" />
    <NotesPanel v-else-if="bench.page === 'notes'" />
    <template v-else>
      <p class="soft">{{ brief.purpose }}</p>
      <ol>
        <li v-for="(task, i) in brief.tasks" :key="task.id" :class="{ on: task.id === desk.taskId }">
          <RowButton class="task" :aria-expanded="task.id === desk.taskId" @click="desk.chooseTask(task.id)">
            <span class="number">{{ i + 1 }}</span><span class="title">{{ task.title }}</span>
            <VerdictSign :verdict="guide.judged.get(task.id)?.verdict ?? null" />
          </RowButton>
          <TaskGuide v-if="task.id === desk.taskId" :task="task" />
        </li>
      </ol>
      <MistakeNotes />
      <HelpButton v-if="session.person?.role === 'student'" />
    </template>
  </div>
</template>

<style scoped>
.brief {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 18px 18px 24px;
}

h1 {
  font-size: var(--text-5);
}

.pages {
  flex-wrap: wrap;
  align-self: start;
  border-radius: var(--radius-m);
}

.pages :deep(.choice) {
  padding-inline: 7px;
}

ol {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  border-top: 1px solid var(--rule);
}

li.on {
  background: var(--wash);
  margin-inline: -18px;
  padding-inline: 18px;
}

.task {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 46px;
  padding: 6px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 640;
  text-align: left;
  cursor: pointer;
}

.number {
  display: grid;
  place-items: center;
  flex: none;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  font-size: 14px;
}

li.on .number {
  background: var(--ink);
  color: var(--sheet);
}

.title {
  flex: 1;
}
</style>
