<script setup lang="ts">
/** The song over a task: where all tasks are, and bars that are dragged for the one that is open. */
import { computed } from 'vue'
import SongStrip from '../../editor/strip/SongStrip.vue'
import { useBrief } from './brief-store'

const store = useBrief()
const task = computed(() => store.brief!.tasks.find((one) => one.id === store.openTask) ?? null)
const flags = computed(() =>
  store.brief!.tasks.map((one, i) => ({
    id: one.id,
    text: String(i + 1),
    tick: one.from,
    kind: 'task' as const,
  })),
)

/** The section at a place becomes the bars of the task. */
function section(tick: number): void {
  const { sections, length } = store.song!
  const at = sections.findLastIndex((s) => s.tick <= tick)
  if (at >= 0 && task.value)
    store.changeTask(task.value.id, { from: sections[at]!.tick, to: sections[at + 1]?.tick ?? length })
}
</script>

<template>
  <SongStrip
    :song="store.song!"
    :time="store.time!"
    :position="() => task?.from ?? 0"
    :momentary="null"
    :loop="null"
    :looping="false"
    :marked="task"
    :flags="flags"
    data-test="brief-strip"
    @go="section"
    @loop="(span) => task && store.changeTask(task.id, { from: span.from, to: span.to })"
    @flag="(id) => store.showTask(id)"
  />
</template>
