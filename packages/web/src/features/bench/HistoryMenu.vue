<script setup lang="ts">
/** What was done, in words, newest first: any state can be gone back to. */
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { t } from '../../words/t'

const work = useWork()
const steps = computed(() => [
  ...work.history.undone.map((s, i, all) => ({ label: s.label, by: all.length - i, undone: true })),
  ...work.history.done
    .map((s, i, all) => ({ label: s.label, by: -(all.length - 1 - i), undone: false }))
    .reverse(),
  { label: t('history.opened'), by: -work.history.done.length, undone: false },
])

/** Goes to the state after a step. @param by how many steps forward (or back) */
function goTo(by: number): void {
  for (let i = 0; i < by; i++) work.redo()
  for (let i = 0; i < -by; i++) work.undo()
}
</script>

<template>
  <v-menu max-height="420">
    <template #activator="{ props: menu }">
      <v-btn
        v-bind="menu"
        variant="text"
        icon="$open"
        size="small"
        class="opener"
        :aria-label="t('history.title')"
        :title="t('history.tip')"
        data-test="history"
        :disabled="steps.length < 2"
      />
    </template>
    <ol class="sheet list" :aria-label="t('history.label')">
      <li v-for="(s, i) in steps" :key="i">
        <MenuItem :class="{ undone: s.undone, now: s.by === 0 && !s.undone }" @click="goTo(s.by)">
          {{ s.label }}<span v-if="s.by === 0 && !s.undone" class="soft"> {{ t('history.now') }}</span>
        </MenuItem>
      </li>
    </ol>
  </v-menu>
</template>

<style scoped>
.opener {
  width: 26px;
  margin-left: -8px;
}

.list {
  margin: 0;
  padding: 8px;
  list-style: none;
  overflow-y: auto;
}

button {
  display: block;
  width: 100%;
  min-height: 34px;
  padding: 2px 10px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover {
  background: var(--wash);
}

.now {
  font-weight: 660;
}

.undone {
  color: var(--soft);
  text-decoration: line-through;
}
</style>
