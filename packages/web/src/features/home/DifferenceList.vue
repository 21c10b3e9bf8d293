<script setup lang="ts">
/** What is otherwise when an assignment goes on another song: to be looked at before it is given out. */
import type { BarSpan, BriefDifference } from '@rudlo/core/brief'
import { t } from '../../words/t'

defineProps<{ differences: readonly BriefDifference[] }>()

const bars = ([first, last]: BarSpan) =>
  first === last ? t('new.differ.bar', { first }) : t('new.differ.to', { first, last })

function text(d: BriefDifference): string {
  switch (d.kind) {
    case 'track':
      return t('new.differ.track', { from: d.from, to: d.to })
    case 'no-track':
      return t('new.differ.no-track', { from: d.from })
    case 'section':
      return t('new.differ.section', { from: d.from, to: d.to })
    case 'bars':
      return t('new.differ.bars', { task: d.task, from: bars(d.from), to: bars(d.to) })
    case 'left-out':
      return t('new.differ.left-out', { task: d.task })
    case 'words':
      return t('new.differ.words', { task: d.task })
  }
}
</script>

<template>
  <section data-test="differences">
    <b>{{ t('new.differ') }}</b>
    <ul>
      <li v-for="(d, i) in differences" :key="i">{{ text(d) }}</li>
    </ul>
    <p class="soft">{{ t(differences.length ? 'new.differ.about' : 'new.differ.none') }}</p>
  </section>
</template>

<style scoped>
ul {
  max-height: 180px;
  margin: 0;
  padding-left: var(--space-5);
  overflow-y: auto;
}
</style>
