<script setup lang="ts">
/** Writing a brief: tasks with checks and hints, beside them the page as a student sees it. */
import { ref, watch, useTemplateRef } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import AskDialog from '../../ui/overlays/AskDialog.vue'
import AppHeader from '../../shell/AppHeader.vue'
import { usePageKeys } from '../../ui/keys/page-keys'
import BriefGoal from './BriefGoal.vue'
import BriefModel from './BriefModel.vue'
import BriefPreview from './BriefPreview.vue'
import BriefSettings from './BriefSettings.vue'
import BriefTasks from './BriefTasks.vue'
import { useBrief } from './brief-store'
import TrialResult from './TrialResult.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ assignment: string }>()
const store = useBrief()
const problem = ref('')

async function open(): Promise<void> {
  problem.value = ''
  try {
    await store.open(props.assignment)
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
  if (store.brief!.tasks.some((t) => t.checks.length)) await store.tryOut()
  giving.value = false
  if (store.doubts.length && !(await doubting.value!.ask())) return
  await store.giveOut()
}

const leaving = useTemplateRef('leaving')
onBeforeRouteLeave(() => !store.changed || leaving.value!.ask())
usePageKeys({ 'Ctrl+z': () => store.undo(), 'Ctrl+s': () => void store.save() })
</script>

<template>
  <div class="page form">
    <AppHeader :before="store.assignment?.group" :title="store.assignment ? 'Brief' : ''">
      <template v-if="store.brief && store.assignment">
        <span class="soft state" data-test="brief-state">{{
          store.changed ? 'Not saved yet' : store.isDraft ? 'Draft: students do not see it' : 'Saved'
        }}</span>
        <v-btn
          variant="text"
          icon="$undo"
          size="small"
          aria-label="Undo"
          :disabled="!store.past.length"
          @click="store.undo()"
        />
        <AppButton
          :busy="store.saving"
          :disabled="!store.changed"
          data-test="save-brief"
          @click="store.save()"
          >Save</AppButton>
        <AppButton tone="main"
          v-if="store.isDraft"
          data-test="give-out"
          :busy="giving"
          @click="giveOut"
          >Give it out</AppButton>
      </template>
    </AppHeader>
    <main v-if="problem" class="lost">
      <p role="alert">{{ problem }}</p>
      <AppButton @click="open">Try again</AppButton>
    </main>
    <main v-else-if="!store.brief || !store.assignment" class="lost">
      <v-progress-circular indeterminate />
    </main>
    <main v-else class="desk">
      <h1 class="unseen">Brief: {{ store.title }}</h1>
      <div class="writing">
        <p v-if="store.problem" class="problem" role="alert" data-test="brief-problem">{{ store.problem }}</p>
        <BriefGoal />
        <BriefModel :assignment="assignment" />
        <TrialResult v-if="store.trial" />
        <BriefTasks />
        <BriefSettings />
      </div>
      <BriefPreview />
    </main>
    <AskDialog
      ref="doubting"
      name="doubts"
      title="Give it out all the same?"
      :text="store.doubts.join('\n')"
      yes="Give it out"
      no="Look at it again"
    />
    <AskDialog
      ref="leaving"
      name="leave-brief"
      title="The brief is not saved"
      text="What you changed since you last saved it is lost if you leave now."
      yes="Leave without saving"
      no="Stay"
    />
  </div>
</template>

<style scoped>
.page {
  display: flex;
  flex-direction: column;
  height: 100vh;
}

.desk {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 16px;
  min-height: 0;
  padding: 16px 20px;
}

.writing {
  display: grid;
  gap: 14px;
  align-content: start;
  min-height: 0;
  overflow-y: auto;
}

.problem {
  padding: 12px 16px;
  border: 1.5px solid var(--warm);
  border-radius: 10px;
  color: var(--warm);
  font-weight: 560;
}

.state {
  white-space: nowrap;
}

.lost {
  display: grid;
  flex: 1;
  gap: 16px;
  place-content: center;
  justify-items: center;
}

@media (max-width: 1000px) {
  .desk {
    grid-template-columns: 1fr;
    overflow-y: auto;
  }

  .writing {
    overflow: visible;
  }
}
</style>
