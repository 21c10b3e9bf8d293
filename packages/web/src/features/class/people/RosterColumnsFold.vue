<script setup lang="ts">
/** Which column of a table says what: matched by hand, and remembered for tables with the same columns. */
import { ROSTER_COLUMNS, type RosterColumn, type RosterColumns } from '@rudlo/core/roster'
import { computed, ref } from 'vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import FoldSection from '../../../ui/page/FoldSection.vue'
import { t } from '../../../words/t'

const props = defineProps<{ header: readonly string[]; columns: RosterColumns }>()
const emit = defineEmits<{ change: [columns: RosterColumns] }>()

// what could not be read by itself is asked at once
const open = ref(!Object.keys(props.columns).length)
const choices = computed(() => [
  { value: -1, text: t('class.add.column.none') },
  ...props.header.map((text, value) => ({ value, text: text || String(value + 1) })),
])
function set(what: RosterColumn, at: number): void {
  const others = Object.entries(props.columns).filter(([of]) => of !== what)
  emit('change', Object.fromEntries(at < 0 ? others : [...others, [what, at]]))
}
</script>

<template>
  <FoldSection v-model="open" :title="t('class.add.columns')" data-test="columns">
    <p class="soft">{{ t('class.add.columns.about') }}</p>
    <div class="grid">
      <SelectField
        v-for="what in ROSTER_COLUMNS"
        :key="what"
        :label="t(`class.add.column.${what}`)"
        :choices="choices"
        :model-value="columns[what] ?? -1"
        :data-test="`column-${what}`"
        @update:model-value="(at) => set(what, at)"
      />
    </div>
  </FoldSection>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: var(--space-2);
}
</style>
