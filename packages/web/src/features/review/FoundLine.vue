<script setup lang="ts">
/** One thing that was found: pressed it shows its place and plays it; it begins a remark, or is overruled. */
import type { Overrule } from '@rudlo/core/brief'
import type { Verdict } from '@rudlo/core/evidence'
import OverruleLine from './OverruleLine.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

defineProps<{
  /** What it is about, for who cannot see it. */
  about: string
  /** What it becomes when it is overruled; null for a mistake that is none. */
  to: Verdict | null
  overrule: Overrule | undefined
}>()
const emit = defineEmits<{ show: []; take: []; overrule: [to: Overrule | null] }>()
</script>

<template>
  <RowButton class="sentence" :tip="t('guide.check.show')" @click="emit('show')"><slot /></RowButton>
  <RowButton
    class="take"
    data-test="take"
    :aria-label="t('found.remark')"
    :tip="t('found.remark')"
    @click="emit('take')"
  >
    <v-icon icon="$remark" size="16" />
  </RowButton>
  <OverruleLine :about="about" :to="to" :overrule="overrule" @change="(word) => emit('overrule', word)" />
</template>

<style scoped>
.sentence {
  padding: 2px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.sentence:hover {
  text-decoration: underline;
}

.take {
  min-height: 26px;
  padding: 0 6px;
  border: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
</style>
