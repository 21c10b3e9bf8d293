<script setup lang="ts">
/** The brief as a student reads it, while it is written. */
import RichText from '../../desk/guide/RichText.vue'
import { barsOf } from '../../desk/transport/loop-text'
import { useBrief } from './brief-store'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppTag from '../../ui/marks/AppTag.vue'
import { t } from '../../words/t'

const store = useBrief()
</script>

<template>
  <aside class="sheet preview" :aria-label="t('brief.preview')">
    <p class="soft">{{ t('brief.preview') }}</p>
    <h2>{{ store.title }}</h2>
    <p class="soft">{{ store.brief!.purpose }}</p>
    <ol class="plain-list">
      <li v-for="(task, i) in store.brief!.tasks" :key="task.id" :class="{ on: task.id === store.openTask }">
        <RowButton class="head" @click="store.showTask(task.id)">
          <span class="number">{{ i + 1 }}</span><b>{{ task.title }}</b>
        </RowButton>
        <div v-if="task.id === store.openTask" class="more">
          <RichText :text="task.text" />
          <AppTag icon="play" :text="barsOf(task, store.time!.meter)" />
          <p v-if="task.checks.length && store.brief!.answers !== 'handed in'" class="soft">
            {{
              t('brief.preview.checks', {
                n: task.checks.length,
                when: t(`brief.when.${store.brief!.answers}`),
              })
            }}
          </p>
          <p v-if="task.hints.length" class="soft">
            {{ t('brief.preview.hints', { n: task.hints.length, tries: store.brief!.hintsAfter }) }}
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
  font-size: var(--text-4);
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
