<script setup lang="ts">
/** Writing an assignment: its parts on the left, one of them at a time, and beside it what a student sees. */
import { ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { useLeaveGuard } from '../../ui/forms/leave-guard'
import { usePageKeys } from '../../ui/keys/page-keys'
import AskDialog from '../../ui/overlays/AskDialog.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'
import BriefGoal from './BriefGoal.vue'
import BriefModel from './BriefModel.vue'
import BriefParts from './BriefParts.vue'
import BriefPreview from './BriefPreview.vue'
import BriefSettings from './BriefSettings.vue'
import { useBrief } from './brief-store'
import BriefStrip from './BriefStrip.vue'
import TaskEditor from './TaskEditor.vue'

const props = defineProps<{ assignment: string }>()
const store = useBrief()
const route = useRoute()
const problem = ref('')
const previewing = ref(false)

async function open(): Promise<void> {
  problem.value = ''
  try {
    await store.open(props.assignment)
    // whoever comes from the bench comes with a model
    if (route.query['part'] === 'model') store.part = 'model'
  } catch (error) {
    problem.value = (error as Error).message
  }
}
watch(() => props.assignment, open, { immediate: true })

const giving = ref(false)
const doubting = useTemplateRef('doubting')
/** Tries it out first: what cannot be met, or is met already, is said before anybody gets it. */
async function giveOut(): Promise<void> {
  giving.value = true
  if (store.brief!.tasks.some((task) => task.checks.length)) await store.tryOut()
  giving.value = false
  if (store.doubts.length && !(await doubting.value!.ask())) return
  await store.giveOut()
}

const leaving = useTemplateRef('leaving')
useLeaveGuard(
  () => store.changed,
  () => leaving.value!.ask(),
)
usePageKeys([
  {
    title: t('brief.room'),
    keys: [
      { shown: t('keys.ctrl-z'), what: t('keys.undo'), on: { 'Ctrl+z': () => store.undo() } },
      { shown: t('keys.ctrl-s'), what: t('brief.save'), on: { 'Ctrl+s': () => void store.save() } },
    ],
  },
])
</script>

<template>
  <div class="page">
    <AppHeader
      compact
      :before="store.assignment?.group"
      :title="store.assignment ? store.title || t('brief.room') : ''"
    >
      <template v-if="store.brief && store.assignment">
        <span class="soft state" role="status" data-test="brief-state">{{
          store.changed
            ? t('brief.state.changed')
            : store.isDraft
              ? t('brief.state.draft')
              : t('brief.state.saved')
        }}</span>
        <IconButton
          icon="undo"
          :label="t('brief.undo')"
          :disabled="!store.past.length"
          @click="store.undo()"
        />
        <AppButton
          class="preview-button"
          small
          :aria-pressed="previewing"
          @click="previewing = !previewing"
          >{{ t('brief.preview.show') }}</AppButton
        >
        <AppButton :busy="store.saving" data-test="save-brief" @click="store.save()">{{
          t('brief.save')
        }}</AppButton>
        <AppButton v-if="store.isDraft" tone="main" data-test="give-out" :busy="giving" @click="giveOut">{{
          t('brief.publish')
        }}</AppButton>
      </template>
    </AppHeader>
    <RoomState :problem="problem" :loading="!store.brief || !store.assignment" @again="open">
      <template #room>
        <main class="desk" :class="{ previewing }">
          <h1 class="unseen">{{ store.title }}</h1>
          <BriefParts />
          <div class="middle">
            <FormProblem class="sheet problem" :text="store.problem" data-test="brief-problem" />
            <BriefStrip v-if="store.part === 'task'" />
            <div class="writing">
              <BriefGoal v-if="store.part === 'about'" />
              <BriefModel v-else-if="store.part === 'model'" :assignment="assignment" />
              <BriefSettings v-else-if="store.part === 'publish'" />
              <template v-for="task in store.brief!.tasks" v-else :key="task.id">
                <TaskEditor v-if="task.id === store.openTask" :task="task" />
              </template>
            </div>
          </div>
          <BriefPreview class="preview" />
        </main>
      </template>
    </RoomState>
    <AskDialog
      ref="doubting"
      name="doubts"
      :title="t('brief.publish.anyway')"
      :text="store.doubts.join('\n')"
      :yes="t('brief.publish')"
      :no="t('brief.publish.back')"
    />
    <AskDialog
      ref="leaving"
      name="leave-brief"
      :title="t('brief.leave.title')"
      :text="t('brief.leave.text')"
      :yes="t('ui.unsaved.leave')"
      :no="t('ui.unsaved.stay')"
    />
  </div>
</template>

<style scoped>
.page {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
}

.desk {
  display: grid;
  flex: 1;
  grid-template-columns: 258px minmax(0, 1fr) 300px;
  gap: var(--space-4);
  min-height: 0;
  padding: var(--space-4);
}

.middle {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  min-height: 0;
}

.writing {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}

.problem {
  padding: var(--space-2) var(--space-4);
  border-color: var(--warm);
}

.problem:empty {
  display: none;
}

.state {
  white-space: nowrap;
}

.preview-button {
  display: none;
}

@media (max-width: 1180px) {
  .desk {
    grid-template-columns: 230px minmax(0, 1fr);
  }

  .preview-button {
    display: inline-grid;
  }

  .desk:not(.previewing) .preview,
  .desk.previewing .middle {
    display: none;
  }
}

@media (max-width: 700px) {
  .desk {
    display: block;
    overflow-y: auto;
  }
}
</style>
