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
  <div class="line">
    <RowButton class="sentence" :tip="t('guide.check.show')" @click="emit('show')"><slot /></RowButton>
    <span class="acts">
      <RowButton
        class="take"
        data-test="take"
        :aria-label="t('found.remark')"
        :tip="t('found.remark')"
        @click="emit('take')"
      >
        {{ t('found.do') }}
      </RowButton>
      <OverruleLine :about="about" :to="to" :overrule="overrule" @change="(word) => emit('overrule', word)" />
    </span>
  </div>
</template>

<style scoped>
.line {
  position: relative;
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-1);
  align-items: center;
  min-width: 0;
}

.sentence {
  flex: 1 1 100%;
  padding: 2px 0;
  font: inherit;
  letter-spacing: inherit;
}

.acts {
  display: flex;
  flex: 0 1 auto;
  flex-wrap: wrap;
  gap: 0 var(--space-1);
  align-items: center;
}

.sentence:hover {
  text-decoration: underline;
}

.take {
  min-height: 28px;
  padding: 0 var(--space-1);
  color: var(--soft);
  font-size: var(--text-1);
  text-decoration: underline;
}
</style>
