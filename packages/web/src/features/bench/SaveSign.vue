<script setup lang="ts">
/** Whether the work is safe, in words. */
import { computed } from 'vue'
import { away } from '../../api/away'
import { useWork } from '../../document/work-store'
import { t } from '../../words/t'

const work = useWork()
/** Said where the browser keeps nothing: a private window, a school's settings, a full disk. */
const NOTHING_KEPT = t('save.nothing-kept')
const SIGNS = { saved: '$saved', saving: '$saving', 'not saved': '$unsaved', here: '$offline' } as const
/** Nothing is wrong where the work is safe in this browser and waits for the server. */
const sign = computed(() =>
  work.saveState === 'not saved' && away.value && !work.keepsNothing ? 'here' : work.saveState,
)
const text = computed(() => {
  if (work.saveState === 'saved') return t('save.saved')
  if (sign.value === 'here') return t('save.here')
  return work.saveState === 'saving' ? t('save.saving') : t('save.retry')
})
const about = computed(() => {
  const problem = work.saveProblem ?? ''
  if (work.keepsNothing) return `${problem} ${NOTHING_KEPT}`.trim()
  return problem ? t('save.kept', { problem }) : undefined
})
</script>

<template>
  <div class="sign">
    <p
      class="save"
      :class="{ bad: sign === 'not saved', here: sign === 'here' }"
      role="status"
      :data-tip="about"
      data-test="save-state"
    >
      <v-icon :icon="SIGNS[sign]" size="20" /><span class="text">{{ text }}</span>
    </p>
    <span
      v-if="work.keepsNothing"
      class="nothing"
      tabindex="0"
      role="note"
      :aria-label="NOTHING_KEPT"
      :data-tip="NOTHING_KEPT"
      data-test="keeps-nothing"
      >{{ t('save.server-only') }}</span
    >
  </div>
</template>

<style scoped>
.sign {
  display: flex;
  gap: 8px;
  align-items: center;
}

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
  .save:not(.bad, .here) .text {
    width: 0;
  }

  .sign > .nothing {
    max-width: 84px;
  }
}

.nothing {
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--soft);
  font-size: 14px;
  white-space: nowrap;
  padding: 0 8px;
  border: 1px dashed currentcolor;
  border-radius: 8px;
}

.bad {
  color: var(--warm);
  font-weight: 620;
}
</style>
