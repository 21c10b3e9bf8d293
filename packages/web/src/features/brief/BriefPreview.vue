<script setup lang="ts">
/** The brief as a student reads it, while it is written. */
import { placeShort } from '@rudlo/core/time'
import RichText from '../../desk/guide/RichText.vue'
import { barsOf } from '../../desk/transport/loop-text'
import { useBrief } from './brief-store'
import RowButton from '../../ui/buttons/RowButton.vue'

const store = useBrief()
</script>

<template>
  <aside class="sheet preview" aria-label="As a student sees it">
    <p class="soft">As a student sees it</p>
    <h2>{{ store.title }}</h2>
    <p class="soft">{{ store.brief!.purpose }}</p>
    <ol>
      <li v-for="(task, i) in store.brief!.tasks" :key="task.id" :class="{ on: task.id === store.openTask }">
        <RowButton class="head" @click="store.openTask = task.id">
          <span class="number">{{ i + 1 }}</span><b>{{ task.title }}</b>
        </RowButton>
        <div v-if="task.id === store.openTask" class="more">
          <RichText :text="task.text" />
          <span class="chip" :title="placeShort(store.time!.meter.placeAt(task.from))"
            ><v-icon icon="$play" size="16" />{{ barsOf(task, store.time!.meter) }}</span
          >
          <p v-if="task.checks.length && store.brief!.answers !== 'handed in'" class="soft">
            {{ task.checks.length === 1 ? 'One check answers' : `${task.checks.length} checks answer` }}
            {{
              { drawing: 'while drawing', played: 'after playing it', asked: 'on asking' }[
                store.brief!.answers
              ]
            }}.
          </p>
          <p v-if="task.hints.length" class="soft">
            {{ task.hints.length === 1 ? 'One hint' : `${task.hints.length} hints` }}, from try
            {{ store.brief!.hintsAfter }} on.
          </p>
        </div>
      </li>
    </ol>
  </aside>
</template>

<style scoped>
.preview {
  display: grid;
  gap: 10px;
  align-content: start;
  padding: 18px;
  overflow-y: auto;
}

h2 {
  font-size: 22px;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  border-top: 1px solid var(--rule);
}

li.on {
  margin-inline: -18px;
  padding-inline: 18px;
  background: var(--wash);
}

.head {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.number {
  display: grid;
  flex: none;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  font-size: 14px;
}

.more {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 0 0 14px 34px;
}
</style>
