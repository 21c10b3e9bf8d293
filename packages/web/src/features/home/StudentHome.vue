<script setup lang="ts">
/** A student's first page: the one thing to do next, what came back, and the whole term folded. */
import type { AssignmentCard } from '@rudlo/contract/assignments'
import { computed, ref, watch } from 'vue'
import { away } from '../../api/away'
import { useSession } from '../../api/session-store'
import { now } from '../../browser/clock'
import { OfflineCopy } from '../../document/offline-copy'
import AppButton from '../../ui/buttons/AppButton.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { whenText } from '../../words/dates'
import { t } from '../../words/t'
import { standingOf } from './standing'
import StandingSign from '../../ui/marks/StandingSign.vue'
import { termOf } from './term'

const props = defineProps<{ cards: readonly AssignmentCard[] }>()
const session = useSession()
/** The assignments that were opened on this computer: all that can be opened while the server is away. */
const here = ref<ReadonlySet<string>>(new Set())
watch(
  away,
  async (now) => {
    if (now) here.value = new Set(await new OfflineCopy(session.person!.id).openedAssignments())
  },
  { immediate: true },
)
const isOut = ({ id }: AssignmentCard) => away.value && !here.value.has(id)
/** What is said of one, in one line. */
const line = (card: AssignmentCard, ...more: readonly string[]) =>
  [standingOf(card).text, ...more, isOut(card) ? t('home.not-here') : ''].filter(Boolean).join(' · ')

const due = ({ dueAt, mine }: AssignmentCard) =>
  dueAt
    ? t(new Date(dueAt) < now() ? 'home.late' : mine?.extended ? 'home.extended' : 'home.due', {
        when: whenText(dueAt),
      })
    : ''

const term = computed(() => {
  const { next, ...rest } = termOf(props.cards, now())
  // without the server what comes next is what can be done
  const can = away.value
    ? termOf(
        props.cards.filter((card) => !isOut(card)),
        now(),
      ).next
    : null
  return { ...rest, next: can ?? next }
})
</script>

<template>
  <article v-if="term.next" class="sheet next" data-test="next">
    <div class="words">
      <p class="soft">{{ t('home.next') }}</p>
      <h2>{{ term.next.title }}</h2>
      <p class="soft">{{ term.next.group }} · {{ term.next.song }}</p>
      <p class="purpose">{{ term.next.purpose }}</p>
      <ol :aria-label="t('home.tasks')">
        <li v-for="task in term.next.tasks" :key="task">{{ task }}</li>
      </ol>
    </div>
    <div class="go">
      <p class="state"><StandingSign :sign="standingOf(term.next).sign" />{{ standingOf(term.next).text }}</p>
      <p v-if="term.next.dueAt" class="soft">{{ due(term.next) }}</p>
      <p v-if="isOut(term.next)" class="soft">{{ t('home.not-here.next') }}</p>
      <AppButton tone="main" large :disabled="isOut(term.next)" :to="`/bench/${term.next.id}`">{{
        standingOf(term.next).button
      }}</AppButton>
    </div>
  </article>
  <div v-else class="sheet next">
    <div class="words">
      <h2>{{ t('home.next.none') }}</h2>
      <p class="soft">{{ t('home.next.none.text') }}</p>
    </div>
  </div>

  <PageSection v-if="term.back.length" :title="t('home.back')" data-test="came-back">
    <ul class="plain-list">
      <li v-for="card in term.back" :key="card.id" class="row">
        <StandingSign sign="back" />
        <span class="what"><b>{{ card.title }}</b><span class="soft">{{ line(card) }}</span></span>
        <AppButton :disabled="isOut(card)" :to="`/bench/${card.id}`">{{ standingOf(card).button }}</AppButton>
      </li>
    </ul>
  </PageSection>

  <section class="sheet term">
    <FoldSection :title="t('home.term')" :note="String(term.all.length)" data-test="term">
      <ol class="plain-list">
        <li v-for="card in term.all" :key="card.id" class="row" data-test="in-term">
          <StandingSign :sign="standingOf(card).sign" />
          <span class="what"
            ><b>{{ card.title }}</b><span class="soft">{{ line(card, due(card)) }}</span></span
          >
          <AppButton small :disabled="isOut(card)" :to="`/bench/${card.id}`">{{
            standingOf(card).button
          }}</AppButton>
        </li>
      </ol>
    </FoldSection>
  </section>
</template>

<style scoped>
.next {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 270px;
  gap: var(--space-8);
  padding: var(--space-6);
}

.words {
  display: grid;
  gap: var(--space-2);
  align-content: start;
}

h2 {
  font-size: var(--text-5);
}

.purpose {
  max-width: 60ch;
  font-size: var(--text-3);
}

.words ol {
  margin: 0;
  padding-left: 22px;
}

.go {
  display: grid;
  gap: var(--space-2);
  align-content: center;
}

.state {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-weight: 620;
}

.row {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--row);
  padding: var(--space-1) 0;
}

.row + .row {
  border-top: 1px solid var(--rule);
}

.what {
  display: grid;
  flex: 1;
  min-width: 0;
}

.term {
  padding: var(--space-1) var(--space-5);
}

@media (max-width: 760px) {
  .next {
    grid-template-columns: 1fr;
    gap: var(--space-4);
  }
}
</style>
