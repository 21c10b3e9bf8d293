<script setup lang="ts">
/** One assignment of a class: who is how far with each task, everybody’s line, and what was measured. */
import type { TermAssignment } from '@rudlo/contract/term'
import { computed, ref } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import ChosenActs from './ChosenActs.vue'
import CrowdOfTask from './CrowdOfTask.vue'
import MistakeChart from './MistakeChart.vue'
import TaskStrips from './TaskStrips.vue'
import TaskTable from './TaskTable.vue'
import { useTerm } from './term-store'

const props = defineProps<{ assignment: TermAssignment }>()
const emit = defineEmits<{ back: [] }>()

const store = useTerm()
const taskId = ref(props.assignment.tasks[0]?.id ?? '')
const task = computed(() => props.assignment.tasks.find((x) => x.id === taskId.value) ?? null)
const cells = computed(() => store.term!.cells.filter((c) => c.assignment === props.assignment.id))
const about = computed(() =>
  [
    props.assignment.song,
    ...(props.assignment.dueAt ? [t('home.due', { when: whenText(props.assignment.dueAt) })] : []),
    t('home.handed-in', {
      count: cells.value.filter((c) => c.handIn).length,
      of: cells.value.filter((c) => c.state !== 'excused').length,
    }),
  ].join(' · '),
)
</script>

<template>
  <div class="assignment-glance">
    <header>
      <AppButton tone="quiet" icon="back" data-test="back-to-term" @click="emit('back')">{{
        t('term.title')
      }}</AppButton>
      <div class="name">
        <h2>{{ assignment.title }}</h2>
        <p class="soft">{{ about }}</p>
      </div>
      <AppButton tone="main" :to="`/review/${assignment.id}`">{{ t('home.review') }}</AppButton>
      <AppButton :to="`/round/${assignment.id}`">{{ t('term.round') }}</AppButton>
    </header>
    <section class="sheet people" :aria-label="t('term.people')">
      <ChosenActs v-if="store.chosen.length" :assignment="assignment.id" />
      <TaskTable :assignment="assignment" :cells="cells" />
    </section>
    <div class="pictures">
      <PageSection :title="t('term.task')">
        <template #acts>
          <SelectField
            v-model="taskId"
            class="which"
            bare
            :label="t('term.task')"
            :choices="assignment.tasks.map((x) => ({ value: x.id, text: x.title }))"
            data-test="glance-task"
          />
        </template>
        <CrowdOfTask v-if="task" :assignment="assignment.id" :task="task.id" />
        <TaskStrips v-if="task" :assignment="assignment.id" :task="task.id" />
      </PageSection>
      <PageSection :title="t('term.mistakes')">
        <MistakeChart
          :mistakes="assignment.mistakes.slice(0, 5)"
          :of="store.term!.students.length"
          :group="store.term!.group.id"
          test="assignment-mistakes"
        />
      </PageSection>
    </div>
  </div>
</template>

<style scoped>
.assignment-glance {
  display: grid;
  grid-template-columns: minmax(380px, 5fr) minmax(0, 8fr);
  gap: var(--space-4);
  align-items: start;
}

header {
  display: flex;
  flex-wrap: wrap;
  grid-column: 1 / -1;
  gap: var(--space-3);
  align-items: center;
}

.name {
  flex: 1;
}

h2 {
  font-size: var(--text-4);
}

.people {
  display: grid;
  gap: var(--space-2);
  padding: var(--space-3) var(--space-4);
}

.pictures {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
}

.which {
  flex: 0 1 320px;
}

@media (max-width: 1000px) {
  .assignment-glance {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
