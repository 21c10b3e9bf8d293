<script setup lang="ts">
/** Writing a brief: tasks with checks and hints, beside them the page as a student sees it. */
import { ANSWER_TIMES, type AnswerTime } from '@rudlo/core/brief'
import { nextTick, ref, watch, useTemplateRef } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { useSortable } from '../../ui/use-sortable'
import AskDialog from '../../ui/AskDialog.vue'
import AppHeader from '../../shell/AppHeader.vue'
import { usePageKeys } from '../../ui/page-keys'
import BriefPreview from './BriefPreview.vue'
import BriefSettings from './BriefSettings.vue'
import { useBrief } from './brief-store'
import TaskEditor from './TaskEditor.vue'
import TrialResult from './TrialResult.vue'

const props = defineProps<{ assignment: string }>()
const store = useBrief()
const problem = ref('')
const list = ref<HTMLElement>()
const TIMES: Readonly<Record<AnswerTime, string>> = {
  drawing: 'while drawing',
  played: 'after the bars were played',
  asked: 'when asked',
  'handed in': 'after handing in only',
}

async function open(): Promise<void> {
  problem.value = ''
  try {
    await store.open(props.assignment)
  } catch (error) {
    problem.value = (error as Error).message
  }
}
watch(() => props.assignment, open, { immediate: true })
useSortable(list, '.handle', store.moveTask)

const text = (event: Event) => (event.target as HTMLInputElement).value

function lesson(event: Event): void {
  const select = event.target as HTMLSelectElement
  const chosen = store.lessons[Number(select.value)]
  if (chosen) store.addLesson(chosen)
  select.value = ''
}

async function show(id: string): Promise<void> {
  store.openTask = store.openTask === id ? null : id
  await nextTick()
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
        <v-btn
          variant="outlined"
          :loading="store.saving"
          :disabled="!store.changed"
          data-test="save-brief"
          @click="store.save()"
          >Save</v-btn
        >
        <v-btn
          v-if="store.isDraft"
          color="primary"
          variant="flat"
          data-test="give-out"
          @click="store.giveOut()"
          >Give it out</v-btn
        >
      </template>
    </AppHeader>
    <main v-if="problem" class="lost">
      <p role="alert">{{ problem }}</p>
      <v-btn @click="open">Try again</v-btn>
    </main>
    <main v-else-if="!store.brief || !store.assignment" class="lost">
      <v-progress-circular indeterminate />
    </main>
    <main v-else class="desk">
      <h1 class="unseen">Brief: {{ store.title }}</h1>
      <div class="writing">
        <p v-if="store.problem" class="problem" role="alert" data-test="brief-problem">{{ store.problem }}</p>
        <section class="sheet part">
          <label class="wide"
            >Title
            <input
              :value="store.title"
              maxlength="200"
              data-test="title"
              @input="store.title = text($event)"
              @keydown.stop
            />
          </label>
          <label class="wide"
            >Purpose: what it is for, in a sentence or two
            <textarea
              :value="store.brief.purpose"
              rows="2"
              maxlength="2000"
              @change="store.change({ ...store.brief!, purpose: text($event) })"
              @keydown.stop
            />
          </label>
          <div class="row">
            <label
              >Checks answer
              <select
                :value="store.brief.answers"
                data-test="answers"
                @change="store.change({ ...store.brief!, answers: text($event) as AnswerTime })"
                @keydown.stop
              >
                <option v-for="t in ANSWER_TIMES" :key="t" :value="t">{{ TIMES[t] }}</option>
              </select></label
            >
            <label
              >Hints after
              <input
                type="number"
                min="0"
                max="20"
                :value="store.brief.hintsAfter"
                @change="store.change({ ...store.brief!, hintsAfter: Number(text($event)) })"
                @keydown.stop
              />
              tries</label
            >
            <label
              ><input
                type="checkbox"
                :checked="store.brief.repairs"
                @change="store.change({ ...store.brief!, repairs: !store.brief!.repairs })"
              />
              offer repairs for mistakes</label
            >
          </div>
        </section>
        <section class="sheet part model">
          <p>
            <b>{{ store.model ? 'There is a model' : 'No model yet' }}</b>
            <span class="soft">
              {{
                store.model
                  ? ': the mix as it should be. Students hear it only when you allow it.'
                  : ': make the mix as it should be, and the tasks can be proposed from its moves.'
              }}
            </span>
          </p>
          <div class="row">
            <v-btn variant="outlined" :to="`/bench/${assignment}`" data-test="make-model">{{
              store.model ? 'Change the model' : 'Make the model'
            }}</v-btn>
            <v-btn v-if="store.model" variant="outlined" data-test="propose" @click="store.propose()"
              >Propose tasks from the model</v-btn
            >
            <v-btn variant="outlined" :loading="store.trying" data-test="try-out" @click="store.tryOut()"
              >Try it out</v-btn
            >
          </div>
        </section>
        <TrialResult v-if="store.trial" />
        <section class="sheet tasks">
          <h2>Tasks</h2>
          <ol ref="list">
            <li v-for="(task, i) in store.brief.tasks" :key="task.id" class="item" data-test="task">
              <div class="head">
                <span class="handle" title="Drag to reorder"><v-icon icon="$drag" size="20" /></span>
                <button class="name" :aria-expanded="store.openTask === task.id" @click="show(task.id)">
                  {{ i + 1 }}. {{ task.title }}
                </button>
                <span class="soft"
                  >{{ task.checks.length }} {{ task.checks.length === 1 ? 'check' : 'checks' }}</span
                >
                <button
                  class="mini"
                  :disabled="i === 0"
                  :aria-label="`Move ${task.title} up`"
                  @click="store.moveTask(i, i - 1)"
                >
                  ↑
                </button>
                <button
                  class="mini"
                  :disabled="i === store.brief.tasks.length - 1"
                  :aria-label="`Move ${task.title} down`"
                  @click="store.moveTask(i, i + 1)"
                >
                  ↓
                </button>
              </div>
              <TaskEditor v-if="store.openTask === task.id" :task="task" />
            </li>
          </ol>
          <div class="row add">
            <button class="chip" data-test="add-task" @click="store.addEmpty()">Add an empty task</button>
            <label
              >or a usual lesson
              <select value="" data-test="add-lesson" @change="lesson" @keydown.stop>
                <option value="" disabled>choose …</option>
                <option v-for="(l, i) in store.lessons" :key="l.name" :value="i">{{ l.name }}</option>
              </select></label
            >
          </div>
        </section>
        <BriefSettings />
      </div>
      <BriefPreview />
    </main>
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

.part {
  display: grid;
  gap: 10px;
  padding: 16px 18px;
}

.wide {
  display: grid;
  gap: 3px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}

.row label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}

input[type='number'] {
  width: 68px;
}

.tasks {
  padding: 16px 0 12px;
}

.tasks h2 {
  padding: 0 18px 8px;
  font-size: 20px;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

.item {
  border-top: 1px solid var(--rule);
}

.head {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 48px;
  padding: 0 14px;
}

.handle {
  color: var(--soft);
  cursor: grab;
}

.name {
  flex: 1;
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-weight: 640;
  text-align: left;
  cursor: pointer;
}

.mini {
  width: 32px;
  height: 32px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}

.mini:disabled {
  opacity: 0.4;
}

.add {
  padding: 12px 18px 4px;
  border-top: 1px solid var(--rule);
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
