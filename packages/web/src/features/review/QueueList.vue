<script setup lang="ts">
/** What has been handed in: what waits, oldest first, what is decided, and what was given back. */
import { computed, ref } from 'vue'
import type { NotHandedIn, QueueEntry } from '@rudlo/contract/handins'
import QueueEntryButton from './QueueEntryButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import MomentField from '../../ui/fields/MomentField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  assignment: string
  waiting: readonly QueueEntry[]
  held: readonly QueueEntry[]
  done: readonly QueueEntry[]
  /** Who has not handed in. */
  missing: readonly NotHandedIn[]
  current: string | null
  /** Other assignments of this teacher, with how many wait in each. */
  assignments: readonly {
    readonly id: string
    readonly title: string
    readonly group: string
    readonly waiting: number
  }[]
}>()
const emit = defineEmits<{ choose: [id: string]; assignment: [id: string]; release: [at: Date | null] }>()

/** From so many entries on, only those in view are laid out. */
const MANY = 80
const ROW = 40

const when = ref<string | null>(null)
const asking = ref(false)

const choices = computed(() =>
  props.assignments.map((a) => ({
    value: a.id,
    text: a.waiting ? t('queue.choice.waiting', { title: a.title, n: a.waiting }) : a.title,
    note: a.group,
  })),
)
const groups = computed(() => [
  {
    title: t('queue.waiting'),
    entries: props.waiting,
    none: t('queue.waiting.none'),
    test: 'waiting',
  },
  ...(props.held.length ? [{ title: t('queue.held'), entries: props.held, none: '', test: 'held' }] : []),
  { title: t('queue.back'), entries: props.done, none: t('queue.back.none'), test: 'given-back' },
])

function release(): void {
  emit('release', when.value ? new Date(when.value) : null)
  asking.value = false
  when.value = null
}
</script>

<template>
  <nav class="queue" :aria-label="t('queue.label')">
    <SelectField
      class="assignment"
      :data-tip="choices.find((c) => c.value === assignment)?.text"
      :label="t('queue.assignment')"
      :model-value="assignment"
      :choices="choices"
      data-test="choose-assignment"
      @update:model-value="(id) => emit('assignment', id)"
    />
    <section v-for="g in groups" :key="g.title">
      <h2>{{ g.title }}<span v-if="g.entries.length > 1" class="count">{{ g.entries.length }}</span></h2>
      <p v-if="!g.entries.length" class="soft none">{{ g.none }}</p>
      <v-virtual-scroll
        v-if="g.entries.length > MANY"
        class="long"
        :items="[...g.entries]"
        :item-height="ROW"
      >
        <template #default="{ item }">
          <QueueEntryButton
            :entry="item"
            :current="item.id === current"
            :data-test="g.test"
            @click="emit('choose', item.id)"
          />
        </template>
      </v-virtual-scroll>
      <template v-else>
        <QueueEntryButton
          v-for="entry in g.entries"
          :key="entry.id"
          :entry="entry"
          :current="entry.id === current"
          :data-test="g.test"
          @click="emit('choose', entry.id)"
        />
      </template>
    </section>
    <section v-if="missing.length" data-test="not-handed-in">
      <h2>
        {{ t('queue.missing') }}<span v-if="missing.length > 1" class="count">{{ missing.length }}</span>
      </h2>
      <p class="soft none">
        {{ missing.map((m) => (m.begun ? t('queue.missing.begun', { name: m.name }) : m.name)).join(', ') }}
      </p>
    </section>
    <div v-if="held.length" class="release">
      <AppButton v-if="!asking" small data-test="release" @click="asking = true">
        {{ t('queue.give-all', { n: held.length }) }}
      </AppButton>
      <form v-else class="form" @submit.prevent="release">
        <MomentField v-model="when" :label="t('queue.when.label')" />
        <AppButton small type="submit" tone="main" data-test="release-now">{{
          when ? t('queue.give-then') : t('queue.give-now')
        }}</AppButton>
        <AppButton small @click="asking = false">{{ t('ui.cancel') }}</AppButton>
      </form>
    </div>
    <p class="tables">
      <AppButton small :to="`/compare/${assignment}`" data-test="compare">{{ t('queue.compare') }}</AppButton>
      <AppButton small :to="`/round/${assignment}`" data-test="round">{{ t('queue.round') }}</AppButton>
      <AppButton small :to="`/sheets/${assignment}`" data-test="sheets">{{ t('queue.print') }}</AppButton>
      <AppButton small :href="`/api/assignments/${assignment}/marks.csv`" download data-test="marks">{{
        t('queue.marks')
      }}</AppButton>
      <AppButton small :href="`/api/assignments/${assignment}/marks.csv?table=checks`" download>{{
        t('queue.checks')
      }}</AppButton>
    </p>
  </nav>
</template>

<style scoped>
.queue {
  display: flex;
  flex-direction: column;
  gap: 6px;
  width: 300px;
  max-height: 74vh;
  overflow-y: auto;
}

.assignment {
  flex: none;
}

h2 {
  display: flex;
  justify-content: space-between;
  padding: 6px 10px 2px;
  color: var(--soft);
  font-size: 14px;
  font-weight: 560;
}

.none {
  padding: 2px 10px 6px;
  font-size: 14px;
}

.long {
  height: 240px;
}

.release .form {
  display: grid;
  gap: 6px;
  padding: 4px 10px;
  font-size: 14px;
}

.tables {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: auto;
  padding: 8px 4px;
}

.tables :deep(.v-btn__content) {
  white-space: normal;
}
</style>
