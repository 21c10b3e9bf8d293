<script setup lang="ts">
/** The teacher's word on one finding: given with one press, with a reason if wanted, and taken back the same way. */
import type { Overrule } from '@rudlo/core/brief'
import { WHY_LENGTH } from '@rudlo/core/brief'
import type { Verdict } from '@rudlo/core/evidence'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import TextField from '../../ui/fields/TextField.vue'

const props = defineProps<{
  /** What it is about, for who cannot see it. */
  about: string
  /** What it becomes; null for a mistake that is none. */
  to: Verdict | null
  overrule: Overrule | undefined
}>()
const emit = defineEmits<{ change: [to: Overrule | null] }>()

const give = (why = '') => emit('change', { verdict: props.to, why })
</script>

<template>
  <RowButton
    v-if="!overrule"
    class="do"
    data-test="overrule"
    :aria-label="t('overrule.label', { about })"
    :tip="to === null ? t('overrule.no-mistake.tip') : t('overrule.tip', { verdict: t(`verdict.${to}`) })"
    @click="give()"
    >{{ t('overrule.do') }}</RowButton
  >
  <div v-else class="word" data-test="overruled">
    <span
      ><b>{{
        overrule.verdict === null
          ? t('overrule.no-mistake')
          : t('overrule.said', { verdict: t(`verdict.${overrule.verdict}`) })
      }}</b></span
    >
    <TextField
      bare
      :model-value="overrule.why"
      :maxlength="WHY_LENGTH"
      :label="t('overrule.why.label', { about })"
      :placeholder="t('overrule.why')"
      data-test="why"
      @update:model-value="(why: string) => give(why)"
      @keydown.stop
    />
    <AppButton tone="quiet" small @click="emit('change', null)">{{ t('overrule.undo') }}</AppButton>
  </div>
</template>

<style scoped>
.word {
  display: flex;
  flex: 1 1 100%;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}

.do {
  min-height: 28px;
  padding: 0 var(--space-1);
  color: var(--soft);
  font-size: var(--text-1);
  text-decoration: underline;
}

.word > span {
  white-space: nowrap;
}
</style>
