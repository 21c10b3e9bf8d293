<script setup lang="ts">
/** A teacher's classes: who is in them and did what last, how people come in, and how they leave. */
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import AppHeader from '../../shell/AppHeader.vue'
import TabBar from '../../ui/bars/TabBar.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'
import AddStudents from './AddStudents.vue'
import CardSheet from './CardSheet.vue'
import { useClass } from './class-store'
import FormerMembers from './FormerMembers.vue'
import GroupSettings from './GroupSettings.vue'
import JoinRequests from './JoinRequests.vue'
import MemberTable from './MemberTable.vue'
import NewGroupForm from './NewGroupForm.vue'
import TrailList from './TrailList.vue'

const props = defineProps<{ group?: string }>()

const store = useClass()
const router = useRouter()
const adding = ref(false)
const making = ref(false)
const part = ref<'students' | 'settings' | 'changes'>('students')
const open = computed(() => (store.group?.id === props.group ? store.group : null))
const tabs = computed(() => [
  {
    value: 'students' as const,
    text: t('class.tab.students'),
    note: String(open.value?.students.length ?? ''),
    test: 'tab-students',
  },
  { value: 'settings' as const, text: t('class.tab.settings'), test: 'tab-settings' },
  { value: 'changes' as const, text: t('class.tab.changes'), test: 'tab-changes' },
])

onMounted(async () => {
  await store.load()
  const first = store.groups?.[0]
  if (!props.group && first) await router.replace(`/groups/${first.id}`)
})
const look = () => (props.group ? store.open(props.group) : store.load())
watch(
  () => props.group,
  (id) => {
    store.showCards(id ?? null)
    store.renamed = []
    part.value = 'students'
    if (id) void store.open(id)
    else store.group = null
  },
  { immediate: true },
)

async function made(id: string): Promise<void> {
  await router.push(`/groups/${id}`)
  adding.value = true
}
</script>

<template>
  <AppHeader class="screen" />
  <div class="groups">
    <nav class="screen" :aria-label="t('class.room')">
      <h2>{{ t('class.room') }}</h2>
      <router-link
        v-for="g in store.groups ?? []"
        :key="g.id"
        class="entry"
        :to="`/groups/${g.id}`"
        :aria-current="g.id === group ? 'page' : undefined"
      >
        <span>{{ g.name }}</span>
        <span class="soft">{{ g.students }}<b v-if="g.requests"> +{{ g.requests }}</b></span>
      </router-link>
      <AppButton small icon="add" data-test="new-group" @click="making = true">{{
        t('class.new')
      }}</AppButton>
    </nav>
    <main>
      <RoomState
        :problem="!open && !store.groups?.length ? store.problem : ''"
        :loading="!store.groups || (Boolean(group) && !open && !store.problem)"
        :empty="
          store.groups && !store.groups.length
            ? { title: t('class.first.title'), text: t('class.first.text') }
            : null
        "
        @again="look"
      >
        <AppButton tone="main" data-test="first-group" @click="making = true">{{
          t('class.create')
        }}</AppButton>
        <template #room>
          <FormProblem class="screen" :text="store.problem" />
          <template v-if="open">
            <CardSheet
              v-if="store.cards.length"
              :cards="store.cards"
              :group="open.name"
              @done="store.putCardsAway"
            />
            <template v-else>
              <header class="head">
                <div>
                  <h1>{{ open.name }}</h1>
                  <p class="soft">{{ open.place }}</p>
                </div>
                <AppButton icon="lesson" :to="`/lesson/${open.id}`" data-test="lesson">{{
                  t('class.lesson')
                }}</AppButton>
                <AppButton tone="main" icon="add" data-test="add-students" @click="adding = true">{{
                  t('class.add')
                }}</AppButton>
              </header>
              <JoinRequests :group="open" />
              <TabBar v-model="part" :tabs="tabs" :label="t('class.tabs')" />
              <template v-if="part === 'students'">
                <MemberTable :group="open" @add="adding = true" />
                <FormerMembers v-if="open.former.length" :group="open" />
              </template>
              <GroupSettings v-else-if="part === 'settings'" :key="open.id" :group="open" />
              <TrailList v-else :key="`t${open.id}`" :group="open.id" />
            </template>
          </template>
        </template>
      </RoomState>
    </main>
    <AddStudents v-model="adding" />
    <NewGroupForm v-model="making" @made="made" />
  </div>
</template>

<style scoped>
.groups {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: var(--space-6);
  width: min(1180px, 100%);
  margin: 0 auto;
  padding: var(--space-6);
}

nav {
  display: grid;
  gap: var(--space-1);
  align-content: start;
  justify-items: start;
}

nav h2 {
  padding: 0 var(--space-3) var(--space-2);
  font-size: var(--text-4);
}

.entry {
  display: flex;
  justify-content: space-between;
  width: 100%;
  min-height: 40px;
  padding: var(--space-2) var(--space-3);
  border-radius: var(--radius-s);
  color: inherit;
  text-decoration: none;
}

.entry:hover {
  background: var(--wash);
}

.entry[aria-current] {
  background: var(--ink);
  color: var(--sheet);
}

.entry[aria-current] .soft {
  color: inherit;
}

main {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  min-width: 0;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.head > :first-child {
  flex: 1;
}

h1 {
  font-size: var(--text-5);
}

@media (max-width: 800px) {
  .groups {
    grid-template-columns: 1fr;
  }
}

@media print {
  .screen {
    display: none;
  }

  .groups {
    display: block;
    padding: 0;
  }
}
</style>
