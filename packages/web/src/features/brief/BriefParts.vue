<script setup lang="ts">
/** What an assignment is made of: its purpose, its tasks in their order, the model, for whom and when. */
import { computed, ref } from 'vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { useSortable } from '../../ui/use-sortable'
import { t } from '../../words/t'
import { useBrief, type Part } from './brief-store'

const store = useBrief()
const list = ref<HTMLElement>()
useSortable(list, '.handle', store.moveTask)

/** The usual lessons; those that the song has something missing for say what. */
const lessons = computed(() =>
  store.lessons.map((lesson) => ({ lesson, name: lesson.name, missing: lesson.missing(store.mix!) })),
)
const isOpen = (part: Part) => store.part === part
/** Parts in which something is wrong. */
const faulty = computed<ReadonlySet<Part>>(
  () =>
    new Set<Part>([
      ...(store.fault('title') ? (['about'] as const) : []),
      ...(['opensAt', 'dueAt', 'handInLimit'].some((f) => store.fault(f as 'dueAt'))
        ? (['publish'] as const)
        : []),
    ]),
)
const verdictOf = (id: string) => store.trial?.start.find((j) => j.task === id)?.verdict ?? null
</script>

<template>
  <nav class="parts" :aria-label="t('brief.parts')">
    <RowButton
      class="part"
      :aria-current="isOpen('about')"
      data-test="part-about"
      @click="store.part = 'about'"
    >
      <span class="text">{{ t('brief.part.about') }}</span>
      <v-icon v-if="faulty.has('about')" icon="$wrong" size="18" class="wrong" />
    </RowButton>
    <h2>{{ t('brief.tasks') }}</h2>
    <ol ref="list">
      <li v-for="(task, i) in store.brief!.tasks" :key="task.id" data-test="task">
        <RowButton
          class="part"
          :aria-current="isOpen('task') && store.openTask === task.id"
          @click="store.showTask(task.id)"
        >
          <v-icon icon="$drag" size="18" class="handle" :data-tip="t('brief.task.drag')" />
          <span class="number">{{ i + 1 }}</span>
          <span class="text"
            >{{ task.title }}<small>{{ t('brief.task.checks', { n: task.checks.length }) }}</small></span
          >
          <VerdictSign :verdict="verdictOf(task.id)" />
        </RowButton>
        <span v-if="isOpen('task') && store.openTask === task.id" class="order">
          <IconButton
            icon="up"
            :disabled="i === 0"
            :label="t('brief.task.up', { title: task.title })"
            @click="store.moveTask(i, i - 1)"
          />
          <IconButton
            icon="down"
            :disabled="i === store.brief!.tasks.length - 1"
            :label="t('brief.task.down', { title: task.title })"
            @click="store.moveTask(i, i + 1)"
          />
        </span>
      </li>
    </ol>
    <AppMenu :label="t('brief.add')">
      <template #opener="{ opener }"
        ><AppButton v-bind="opener" small icon="add" data-test="add-task">{{
          t('brief.add')
        }}</AppButton></template
      >
      <MenuItem data-test="add-empty" @click="store.addEmpty()">{{ t('brief.add.empty') }}</MenuItem>
      <v-list-subheader>{{ t('brief.add.template') }}</v-list-subheader>
      <MenuItem
        v-for="l in lessons"
        :key="l.name"
        :disabled="l.missing !== null"
        :tip="l.missing ?? undefined"
        data-test="add-lesson"
        @click="store.addLesson(l.lesson)"
        >{{ l.name }}</MenuItem
      >
    </AppMenu>
    <RowButton
      v-for="part in ['model', 'publish'] as const"
      :key="part"
      class="part"
      :aria-current="isOpen(part)"
      :data-test="`part-${part}`"
      @click="store.part = part"
    >
      <span class="text">{{ t(`brief.part.${part}`) }}</span>
      <v-icon v-if="faulty.has(part)" icon="$wrong" size="18" class="wrong" />
    </RowButton>
  </nav>
</template>

<style scoped>
.parts {
  display: grid;
  gap: var(--space-1);
  align-content: start;
  justify-items: start;
  min-height: 0;
  overflow-y: auto;
}

h2 {
  padding: var(--space-3) var(--space-2) 0;
  color: var(--soft);
  font-size: var(--text-1);
}

ol {
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

.part {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  width: 100%;
  min-height: var(--row);
  padding: var(--space-1) var(--space-2);
  font-weight: 600;
}

.part:hover {
  background: var(--wash);
}

.part[aria-current='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.text {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

small {
  display: block;
  font-size: var(--text-1);
  font-weight: 400;
}

.number {
  display: grid;
  flex: none;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.5px solid currentcolor;
  border-radius: 50%;
  font-size: var(--text-1);
}

.handle {
  cursor: grab;
}

.order {
  display: flex;
  justify-content: end;
}

.wrong {
  color: var(--warm);
}
</style>
