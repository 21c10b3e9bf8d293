<script setup lang="ts">
/** One hand-in of the queue: whose, whether it is new, how far it is. */
import { computed } from 'vue'
import { now } from '../../browser/clock'
import type { QueueEntry } from '@rudlo/contract/handins'
import { whenText } from '../../words/dates'
import { lateText } from '../../words/late'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ entry: QueueEntry; current: boolean }>()

const sign = computed(() => {
  const { state, outcome, number } = props.entry
  if (state === 'measuring') return '…'
  if (props.entry.measureProblem && state === 'waiting') return t('queue.no-figures')
  if (state === 'waiting') return `v${number}`
  return t(outcome === 'accepted' ? 'queue.accepted' : 'queue.again')
})

const title = computed(() => {
  const { number, handedInAt, sameAs, state, openedAt, givenBackAt, measureProblem, late } = props.entry
  const parts = [t('queue.entry.tip', { number, when: whenText(handedInAt) })]
  if (late > 0) parts.push(lateText(late))
  if (measureProblem) parts.push(t('queue.not-measured.tip'))
  if (sameAs.length) parts.push(t('queue.same.tip', { names: sameAs.join(', ') }))
  if (state === 'given back' && openedAt) parts.push(t('queue.opened'))
  else if (state === 'given back')
    parts.push(
      givenBackAt && new Date(givenBackAt) > now()
        ? t('queue.back-at', { when: whenText(givenBackAt) })
        : t('queue.not-opened'),
    )
  return parts.join('\n')
})
</script>

<template>
  <RowButton class="entry" :aria-current="current" :tip="title">
    <span class="name">{{ entry.with ? `${entry.student} & ${entry.with}` : entry.student }}</span>
    <span v-if="entry.sameAs.length" class="same" data-test="same-as" :aria-label="t('queue.same')">=</span>
    <span v-if="entry.late > 0" class="late" data-test="late">{{ t('term.late.sign') }}</span>
    <span v-if="!entry.seenAt && entry.state === 'waiting'" class="fresh">{{ t('queue.new') }}</span>
    <span class="version">{{ sign }}</span>
  </RowButton>
</template>

<style scoped>
.entry {
  display: flex;
  gap: 6px;
  align-items: center;
  width: 100%;
  min-height: 38px;
  padding: 4px 10px;
  border: 0;
  border-radius: 9px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.name {
  flex: 1;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.entry:hover {
  background: var(--wash);
}

.entry[aria-current='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.version {
  flex: none;
  font-size: 14px;
  opacity: 0.85;
}

.fresh {
  flex: none;
  padding: 0 6px;
  border-radius: 8px;
  background: var(--warm);
  color: var(--sheet);
  font-size: 12px;
  font-weight: 640;
}

.late {
  flex: none;
  color: var(--warm);
  font-size: 13px;
  font-weight: 600;
}

.entry[aria-current='true'] .late {
  color: inherit;
}

.same {
  flex: none;
  width: 20px;
  border: 1.5px solid currentcolor;
  border-radius: 6px;
  font-size: 13px;
  font-weight: 700;
  line-height: 16px;
  text-align: center;
}
</style>
