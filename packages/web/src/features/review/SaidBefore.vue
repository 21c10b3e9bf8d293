<script setup lang="ts">
/** What was said about the version before, and what became of it: ticked off by the student, or changed at its place. */
import type { RemarkView } from '@rudlo/contract/reviews'
import { changedIn } from '@rudlo/core/compare'
import { computed, ref } from 'vue'
import { remarkPlace } from '../../desk/remarks/remark-place'
import AppTag from '../../ui/marks/AppTag.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import { t } from '../../words/t'
import { useReview } from './review-store'

const review = useReview()
const open = ref(true)
const said = computed(() => review.handIn?.saidBefore ?? [])
const before = computed(() => review.handIn?.before ?? null)

/** Whether its lane is another one now, where it was about; null for a remark on the whole. */
function isChanged({ lane, from, to }: RemarkView): boolean | null {
  if (!lane || !before.value || !review.mix) return null
  return changedIn(before.value.document.mix, review.mix, lane, from, to)
}
const rows = computed(() => said.value.map((remark) => ({ remark, changed: isChanged(remark) })))
const done = computed(() => rows.value.filter(({ remark, changed }) => remark.done || changed).length)
</script>

<template>
  <FoldSection
    v-if="said.length"
    v-model="open"
    :title="t('say.before', { number: before!.number })"
    :note="t('say.before.done', { n: done, of: said.length })"
    data-test="said-before"
  >
    <ul class="plain-list">
      <li v-for="{ remark, changed } in rows" :key="remark.id" data-test="before-remark">
        <p>
          <b>{{ remarkPlace(review.song!, review.mix!, remark) }}</b>
          <AppTag v-if="changed" tone="good" icon="done" :text="t('say.before.changed')" />
          <AppTag v-else-if="changed === false" tone="warm" :text="t('say.before.same')" />
          <AppTag v-if="remark.done" :text="t('remark.done')" />
        </p>
        <p v-if="remark.text">{{ remark.text }}</p>
        <p v-for="r in remark.replies" :key="r.createdAt" class="soft">{{ r.author }}: {{ r.text }}</p>
      </li>
    </ul>
  </FoldSection>
</template>

<style scoped>
li {
  padding: var(--space-1) 0 var(--space-2);
  font-size: var(--text-1);
}

p:first-child {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-2);
  align-items: center;
}
</style>
