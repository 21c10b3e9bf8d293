<script setup lang="ts">
/** A teacher's assignments: those first in which somebody waits, each with its class in small; drafts apart. */
import type { AssignmentCard } from '@rudlo/contract/assignments'
import { computed, ref, useTemplateRef } from 'vue'
import { server, told } from '../../api/client'
import { now } from '../../browser/clock'
import AskRemove from '../../desk/removed/AskRemove.vue'
import RemovedList from '../../desk/removed/RemovedList.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { attempt } from '../../ui/forms/attempt'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import PageSection from '../../ui/page/PageSection.vue'
import RoomPage from '../../ui/page/RoomPage.vue'
import { whenText } from '../../words/dates'
import { t } from '../../words/t'
import ClassMarks from './ClassMarks.vue'
import NewAssignment from './NewAssignment.vue'
import { standingOf } from './standing'
import { deskOf } from './term'

const props = defineProps<{ cards: readonly AssignmentCard[] }>()

const emit = defineEmits<{ changed: [] }>()

const asked = useTemplateRef('asked')
const removed = useTemplateRef('removed')
const notice = ref<string | null>(null)
const making = ref(false)
const search = ref('')
const group = ref('')
const classes = computed(() => [
  { value: '', text: t('home.class.all') },
  ...[...new Set(props.cards.map((c) => c.group))].sort().map((name) => ({ value: name, text: name })),
])
const desk = computed(() => deskOf(props.cards, search.value, group.value))

async function remove({ id, title }: AssignmentCard): Promise<void> {
  const param = { assignment: id }
  await attempt(
    async () => {
      const hanging = await told(server.assignments[':assignment'].hanging.$get({ param }))
      if (!(await asked.value!.ask(title, hanging))) return
      await told(server.assignments[':assignment'].$delete({ param }))
      notice.value = t('removed.done', { title })
      emit('changed')
      await removed.value!.load()
    },
    (sentence) => (notice.value = sentence),
  )
}

/** When it is due, or opens. */
function dates({ dueAt, opensAt }: AssignmentCard): string {
  if (opensAt && new Date(opensAt) > now()) return t('home.opens', { when: whenText(opensAt) })
  return dueAt ? t(new Date(dueAt) < now() ? 'home.late' : 'home.due', { when: whenText(dueAt) }) : ''
}
</script>

<template>
  <RoomPage :title="t('home.assignments')">
    <template #acts>
      <TextField v-model="search" class="search" compact :label="t('home.search')" data-test="search" />
      <SelectField
        v-if="classes.length > 2"
        v-model="group"
        class="class"
        :label="t('home.class')"
        :choices="classes"
      />
      <AppButton tone="main" icon="add" data-test="new-assignment" @click="making = true">{{
        t('home.new-assignment')
      }}</AppButton>
    </template>

    <PageSection :title="t('home.given')" :about="desk.given.length ? undefined : t('home.none-found')">
      <article v-for="card in desk.given" :key="card.id" class="row" data-test="assignment">
        <div class="what">
          <h3>{{ card.title }}</h3>
          <p class="soft">{{ [card.group, card.song, dates(card)].filter(Boolean).join(' · ') }}</p>
        </div>
        <div v-if="card.counts" class="state">
          <ClassMarks :counts="card.counts" />
          <span class="soft">{{ standingOf(card).text }}</span>
        </div>
        <AppButton :tone="card.counts?.waiting ? 'main' : 'plain'" :to="`/review/${card.id}`">{{
          t('home.review')
        }}</AppButton>
        <AppButton :to="`/brief/${card.id}`" data-test="edit-brief">{{ t('home.edit') }}</AppButton>
        <AppMenu :label="t('home.more', { title: card.title })">
          <template #opener="{ opener }"
            ><IconButton
              v-bind="opener"
              icon="more"
              :label="t('home.more', { title: card.title })"
              data-test="more"
          /></template>
          <v-list-item :to="`/bench/${card.id}`" :title="t('home.bench')" role="menuitem" />
          <v-list-item :to="`/compare/${card.id}`" :title="t('home.compare')" role="menuitem" />
          <MenuItem icon="remove" data-test="remove-assignment" @click="remove(card)">{{
            t('home.remove')
          }}</MenuItem>
        </AppMenu>
      </article>
    </PageSection>

    <PageSection v-if="desk.drafts.length" :title="t('home.drafts')" :about="t('home.drafts.about')">
      <article v-for="card in desk.drafts" :key="card.id" class="row" data-test="draft">
        <div class="what">
          <h3>{{ card.title }}</h3>
          <p class="soft">{{ [card.group, card.song].join(' · ') }}</p>
        </div>
        <AppButton :to="`/brief/${card.id}`" data-test="edit-brief">{{ t('home.edit') }}</AppButton>
        <IconButton
          icon="remove"
          :label="t('home.remove.of', { title: card.title })"
          data-test="remove-draft"
          @click="remove(card)"
        />
      </article>
    </PageSection>
    <RemovedList ref="removed" kind="assignment" @restored="emit('changed')" />
    <AskRemove ref="asked" />
    <NoticeBar v-model="notice" />
    <NewAssignment v-model="making" :cards="cards" />
  </RoomPage>
</template>

<style scoped>
.search {
  flex: 0 1 230px;
}

.class {
  flex: 0 1 210px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: center;
  padding: var(--space-3) 0;
}

.row + .row {
  border-top: 1px solid var(--rule);
}

.what {
  flex: 2 1 280px;
  min-width: 0;
}

h3 {
  font-size: var(--text-3);
}

.state {
  display: grid;
  flex: 1 1 250px;
  gap: 2px;
  font-size: var(--text-1);
}
</style>
