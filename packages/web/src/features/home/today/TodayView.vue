<script setup lang="ts">
/** A teacher’s first page: what waits to be heard, what is due and who is stuck, whose hand is up, and the next lesson. */
import type { TodayView } from '@rudlo/contract/term'
import { computed, ref } from 'vue'
import { useSession } from '../../../api/session-store'
import TabBar from '../../../ui/bars/TabBar.vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import AppTag from '../../../ui/marks/AppTag.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import RoomPage from '../../../ui/page/RoomPage.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import DueList from './DueList.vue'
import { lessonsOf } from './lessons'
import NextLessons from './NextLessons.vue'
import WaitingList from './WaitingList.vue'

const props = defineProps<{ today: TodayView }>()

const session = useSession()
const group = ref('')
const tabs = computed(() => [
  { value: '', text: t('home.class.all'), test: 'group-all' },
  ...props.today.groups.map((g) => ({
    value: g.id,
    text: g.name,
    note: String(props.today.waiting.filter((w) => w.group === g.id).length || ''),
    test: 'group-tab',
  })),
])
const here = <T extends { readonly group: string }>(list: readonly T[]) =>
  group.value ? list.filter((x) => x.group === group.value) : list
const waiting = computed(() => here(props.today.waiting))
const due = computed(() => here(props.today.due))
const hands = computed(() => here(props.today.hands))
const groups = computed(() => props.today.groups.filter((g) => !group.value || g.id === group.value))
const asking = computed(() => groups.value.filter((g) => g.requests))
const lessons = computed(() => lessonsOf(groups.value, new Date(props.today.now)))
const nameOf = (id: string) => props.today.groups.find((g) => g.id === id)?.name ?? ''
const hello = computed(() => t('home.hello', { name: session.person?.name.split(' ')[0] ?? '' }))
const about = computed(() => {
  const n = waiting.value.length
  if (!n && !due.value.length) return t('today.quiet')
  return n ? t('today.about', { n }) : t('today.none-waiting')
})
</script>

<template>
  <RoomPage wide :title="hello" :about="about">
    <TabBar v-if="today.groups.length > 1" v-model="group" :tabs="tabs" :label="t('home.class')" />
    <div class="columns">
      <div class="column">
        <PageSection v-if="hands.length" :title="t('today.hands')" data-test="hands">
          <ul class="plain-list">
            <li v-for="h in hands" :key="h.student.id" class="row">
              <AppTag icon="hand" tone="warm" :text="h.student.name" />
              <span class="what">{{ h.title }} <span class="soft">{{ whenText(h.since) }}</span></span>
              <AppButton small :to="`/lesson/${h.group}`">{{ t('today.hands.go') }}</AppButton>
            </li>
          </ul>
        </PageSection>
        <PageSection v-if="asking.length" :title="t('today.requests')" data-test="requests">
          <ul class="plain-list">
            <li v-for="g in asking" :key="g.id" class="row">
              <span class="what">{{ t('today.requests.n', { n: g.requests, name: g.name }) }}</span>
              <AppButton small :to="`/class/${g.id}/people`">{{ t('today.requests.go') }}</AppButton>
            </li>
          </ul>
        </PageSection>
        <WaitingList :waiting="waiting" :name-of="nameOf" :many="today.groups.length > 1 && !group" />
      </div>
      <div class="column">
        <NextLessons :lessons="lessons" />
        <DueList :due="due" :name-of="nameOf" :many="today.groups.length > 1 && !group" />
      </div>
    </div>
  </RoomPage>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
  gap: var(--space-4);
  align-items: start;
}

.column {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
}

.row {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--row);
}

.what {
  flex: 1;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
