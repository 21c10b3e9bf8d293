<script setup lang="ts">
/** What was done, in words, newest first: any state can be gone back to. */
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
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
  <AppMenu :label="t('history.label')">
    <template #opener="{ opener }">
      <IconButton
        v-bind="opener"
        icon="open"
        :label="t('history.title')"
        :tip="t('history.tip')"
        data-test="history"
        :disabled="steps.length < 2"
      />
    </template>
    <MenuItem
      v-for="(s, i) in steps"
      :key="i"
      :class="{ undone: s.undone, now: s.by === 0 && !s.undone }"
      data-test="step"
      @click="goTo(s.by)"
      >{{ s.label
      }}<template v-if="s.by === 0 && !s.undone" #end
        ><span class="soft">{{ t('history.now') }}</span></template
      ></MenuItem
    >
  </AppMenu>
</template>

<style scoped>
.undone {
  color: var(--soft);
}

.now {
  font-weight: 640;
}
</style>
