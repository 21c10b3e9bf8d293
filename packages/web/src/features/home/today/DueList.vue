<script setup lang="ts">
/** What is due this week or was a short while ago, and who has not begun, has stopped, or is late. */
import type { DueAssignment, Named } from '@rudlo/contract/term'
import { now } from '../../../browser/clock'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'

defineProps<{
  due: readonly DueAssignment[]
  nameOf: (group: string) => string
  many: boolean
}>()

const GROUPS = ['missing', 'stopped', 'notBegun'] as const
const isOver = (d: DueAssignment) => new Date(d.dueAt) < now()
/** So many are named. */
const NAMED = 4
const names = (list: readonly Named[]) =>
  list.length > NAMED + 1
    ? t('today.names.more', {
        names: list
          .slice(0, NAMED)
          .map((x) => x.name)
          .join(', '),
        n: list.length - NAMED,
      })
    : list.map((x) => x.name).join(', ')
</script>

<template>
  <PageSection :title="t('today.due')" :about="due.length ? undefined : t('today.due.none')">
    <ul class="plain-list">
      <li v-for="d in due" :key="d.assignment" data-test="due">
        <router-link :to="`/class/${d.group}/term?assignment=${d.assignment}`"
          ><b>{{ d.title }}</b></router-link
        >
        <p class="soft">
          {{ t(isOver(d) ? 'home.late' : 'home.due', { when: whenText(d.dueAt) })
          }}<template v-if="many"> · {{ nameOf(d.group) }}</template> ·
          {{ t('home.handed-in', { count: d.handedIn, of: d.students }) }}
        </p>
        <template v-for="g in GROUPS" :key="g">
          <p v-if="d[g].length" :class="g">
            <b>{{ t(`today.${g}`, { n: d[g].length }) }}</b> {{ names(d[g]) }}
          </p>
        </template>
      </li>
    </ul>
  </PageSection>
</template>

<style scoped>
li {
  padding: var(--space-2) 0;
}

li + li {
  border-top: 1px solid var(--rule);
}

a {
  color: inherit;
  text-decoration: none;
}

a:hover {
  text-decoration: underline;
}

p {
  font-size: var(--text-1);
}

.missing b,
.stopped b {
  color: var(--warm);
}
</style>
