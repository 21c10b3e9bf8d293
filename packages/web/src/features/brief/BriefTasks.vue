<script setup lang="ts">
/** The tasks of a brief in their order: opened, moved, added. */
import { computed, ref } from 'vue'
import { useSortable } from '../../ui/use-sortable'
import { useBrief } from './brief-store'
import TaskEditor from './TaskEditor.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'

const store = useBrief()
const list = ref<HTMLElement>()
useSortable(list, '.handle', store.moveTask)

/** The usual lessons; those that the song has something missing for say what. */
const lessons = computed(() =>
  store.lessons.map(({ name, missing }, index) => ({ name, index, missing: missing(store.mix!) })),
)

function lesson(event: Event): void {
  const select = event.target as HTMLSelectElement
  const chosen = store.lessons[Number(select.value)]
  if (chosen) void store.addLesson(chosen)
  select.value = ''
}

const show = (id: string) => (store.openTask = store.openTask === id ? null : id)
</script>

<template>
  <section class="sheet tasks">
    <h2>Tasks</h2>
    <ol ref="list">
      <li v-for="(task, i) in store.brief!.tasks" :key="task.id" class="item" data-test="task">
        <div class="head">
          <span class="handle" title="Drag to reorder"><v-icon icon="$drag" size="20" /></span>
          <RowButton class="name" :aria-expanded="store.openTask === task.id" @click="show(task.id)">
            {{ i + 1 }}. {{ task.title }}
          </RowButton>
          <span class="soft"
            >{{ task.checks.length }} {{ task.checks.length === 1 ? 'check' : 'checks' }}</span
          >
          <RowButton
            class="mini"
            :disabled="i === 0"
            :aria-label="`Move ${task.title} up`"
            @click="store.moveTask(i, i - 1)"
          >
            ↑
          </RowButton>
          <RowButton
            class="mini"
            :disabled="i === store.brief!.tasks.length - 1"
            :aria-label="`Move ${task.title} down`"
            @click="store.moveTask(i, i + 1)"
          >
            ↓
          </RowButton>
        </div>
        <TaskEditor v-if="store.openTask === task.id" :task="task" />
      </li>
    </ol>
    <div class="row add">
      <AppButton small data-test="add-task" @click="store.addEmpty()">Add an empty task</AppButton>
      <label
        >or a usual lesson
        <select value="" data-test="add-lesson" @change="lesson" @keydown.stop>
          <option value="" disabled>choose …</option>
          <option v-for="l in lessons" :key="l.name" :value="l.index" :disabled="l.missing !== null">
            {{ l.missing ? `${l.name}: ${l.missing}` : l.name }}
          </option>
        </select></label
      >
    </div>
  </section>
</template>

<style scoped>
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
</style>
