<script setup lang="ts">
/** What waits to be heard, over all assignments, the oldest first. */
import type { WaitingHandIn } from '@rudlo/contract/term'
import { computed, ref } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import AppTag from '../../../ui/marks/AppTag.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'

const props = defineProps<{
  waiting: readonly WaitingHandIn[]
  nameOf: (group: string) => string
  /** Whether those of several classes stand here. */
  many: boolean
}>()

/** So many are shown at first. */
const FIRST = 8
const all = ref(false)
const shown = computed(() => (all.value ? props.waiting : props.waiting.slice(0, FIRST)))
</script>

<template>
  <PageSection :title="t('today.waiting')" :about="waiting.length ? undefined : t('today.waiting.none')">
    <template v-if="waiting.length" #acts>
      <AppButton
        tone="main"
        :to="`/review/${waiting[0]!.assignment}/${waiting[0]!.handIn}`"
        data-test="hear-first"
        >{{ t('today.waiting.first') }}</AppButton
      >
    </template>
    <ul class="plain-list">
      <li v-for="w in shown" :key="w.handIn">
        <router-link class="row" :to="`/review/${w.assignment}/${w.handIn}`" data-test="waiting">
          <span class="who"
            ><b>{{ w.student }}</b
            ><span class="soft"
              >{{ w.title
              }}<template v-if="w.number > 1">, {{ t('term.version', { number: w.number }) }}</template
              ><template v-if="many"> · {{ nameOf(w.group) }}</template></span
            ></span
          >
          <AppTag v-if="w.late > 0" tone="warm" :text="t('term.late.came')" />
          <AppTag v-if="w.isNew" :text="t('today.new')" />
          <span class="soft when">{{ whenText(w.handedInAt) }}</span>
        </router-link>
      </li>
    </ul>
    <AppButton v-if="waiting.length > FIRST && !all" tone="quiet" @click="all = true">{{
      t('today.waiting.all', { n: waiting.length })
    }}</AppButton>
  </PageSection>
</template>

<style scoped>
li + li {
  border-top: 1px solid var(--rule);
}

.row {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-height: 52px;
  padding: var(--space-1) var(--space-2);
  border-radius: var(--radius-s);
  color: inherit;
  text-decoration: none;
}

.row:hover {
  background: var(--wash);
}

.who {
  display: grid;
  flex: 1;
  min-width: 0;
}

.soft {
  font-size: var(--text-1);
}

.when {
  white-space: nowrap;
}
</style>
