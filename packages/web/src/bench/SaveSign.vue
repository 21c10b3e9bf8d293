<script setup lang="ts">
/** Whether the work is safe, in words. */
import { computed } from 'vue'
import { useWork } from '../work/work-store'

const work = useWork()
const SIGNS = { saved: '$saved', saving: '$saving', 'not saved': '$unsaved' } as const
const text = computed(() => {
  if (work.saveState === 'saved') return 'Saved'
  return work.saveState === 'saving' ? 'Saving …' : 'Not saved: will try again'
})
</script>

<template>
  <p
    class="save"
    :class="{ bad: work.saveState === 'not saved' }"
    role="status"
    :title="
      work.saveProblem ? `${work.saveProblem} Your work is kept in this browser until then.` : undefined
    "
    data-test="save-state"
  >
    <v-icon :icon="SIGNS[work.saveState]" size="20" /><span class="text">{{ text }}</span>
  </p>
</template>

<style scoped>
.save {
  display: flex;
  gap: 6px;
  align-items: center;
  color: var(--soft);
  font-size: 14px;
  white-space: nowrap;
}

.text {
  overflow: hidden;
}

@media (max-width: 1240px) {
  .save:not(.bad) .text {
    width: 0;
  }
}

.bad {
  color: var(--warm);
  font-weight: 620;
}
</style>
