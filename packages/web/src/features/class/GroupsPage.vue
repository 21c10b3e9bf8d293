<script setup lang="ts">
/** The teacher's groups: who is in them, how people come in, and how they leave. */
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import AppHeader from '../../shell/AppHeader.vue'
import AddStudents from './AddStudents.vue'
import CardSheet from './CardSheet.vue'
import FormerMembers from './FormerMembers.vue'
import GroupSettings from './GroupSettings.vue'
import { useClass } from './class-store'
import MemberTable from './MemberTable.vue'
import NewGroupForm from './NewGroupForm.vue'
import TrailList from './TrailList.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ group?: string }>()

const store = useClass()
const router = useRouter()
/** Requests that are listed one by one. */
const SHOWN = 40
const everybody = computed(() => store.group?.requests.map((r) => r.id) ?? [])
const adding = ref(false)
const making = ref(false)

onMounted(async () => {
  store.cards = []
  await store.load()
  const first = store.groups?.[0]
  if (!props.group && first) await router.replace(`/groups/${first.id}`)
})
watch(
  () => props.group,
  (id) => {
    store.cards = []
    store.renamed = []
    if (id) void store.open(id)
    else store.group = null
  },
  { immediate: true },
)

async function made(id: string): Promise<void> {
  making.value = false
  await router.push(`/groups/${id}`)
  adding.value = true
}
</script>

<template>
  <AppHeader class="screen" before="Your classes" :title="store.group?.name ?? 'Groups'" />
  <div class="groups">
    <nav class="screen" aria-label="Groups">
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
      <AppButton small v-if="!making" data-test="new-group" @click="making = true">New group</AppButton>
      <NewGroupForm v-else @made="made" @leave="making = false" />
    </nav>
    <main>
      <p v-if="store.problem" class="problem screen" role="alert">{{ store.problem }}</p>
      <div v-if="store.groups && !store.groups.length" class="blank screen">
        <h1>Begin with a group</h1>
        <p class="soft">
          A group is a class of yours: its students, their assignments, and the teachers who may see them.
        </p>
      </div>
      <template v-if="store.group && store.group.id === group">
        <CardSheet
          v-if="store.cards.length"
          :cards="store.cards"
          :group="store.group.name"
          @done="store.cards = []"
        />
        <template v-else>
          <header class="head">
            <div>
              <h1>{{ store.group.name }}</h1>
              <p class="soft">{{ store.group.place }}</p>
            </div>
            <AppButton :to="`/lesson/${store.group.id}`" data-test="lesson">Lesson</AppButton>
            <AppButton tone="main" data-test="add-students" @click="adding = true"
              >Add students</AppButton>
          </header>
          <section v-if="store.group.requests.length" class="sheet block" aria-label="Who wants to join">
            <h2>
              {{ store.group.requests.length }}
              {{ store.group.requests.length === 1 ? 'student wants' : 'students want' }} to join
            </h2>
            <ul>
              <li v-for="r in store.group.requests.slice(0, SHOWN)" :key="r.id">
                <span>{{ r.name }} <span class="soft">{{ r.signIn }}</span></span>
                <span>
                  <AppButton small data-test="let-in" @click="store.answer([r.id], true)">Let in</AppButton>
                  <AppButton small @click="store.answer([r.id], false)">No</AppButton>
                </span>
              </li>
            </ul>
            <p v-if="store.group.requests.length > SHOWN" class="soft">
              and {{ store.group.requests.length - SHOWN }} more. If these are not your students, stop joining
              under Settings and refuse them all.
            </p>
            <div class="all">
              <AppButton small @click="store.answer(everybody, true)">Let all in</AppButton>
              <AppButton small data-test="refuse-all" @click="store.answer(everybody, false)">
                Refuse all
              </AppButton>
            </div>
          </section>
          <section v-if="store.renamed.length" class="sheet block" role="status" data-test="renamed">
            <h2>Tell them their sign-in name</h2>
            <p class="soft">Somebody else had the name they asked for by the time you let them in.</p>
            <ul>
              <li v-for="r in store.renamed" :key="r.signIn">
                <span>{{ r.name }}</span>
                <span>signs in as <b>{{ r.signIn }}</b> instead of {{ r.asked }}</span>
              </li>
            </ul>
            <AppButton small @click="store.renamed = []">Done</AppButton>
          </section>
          <MemberTable :group="store.group" />
          <FormerMembers v-if="store.group.former.length" :group="store.group" />
          <GroupSettings :key="store.group.id" :group="store.group" />
          <TrailList :key="`t${store.group.id}`" :group="store.group.id" />
        </template>
      </template>
    </main>
    <AddStudents v-model="adding" />
  </div>
</template>

<style scoped>
.groups {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: 28px;
  width: min(1120px, 100%);
  margin: 0 auto;
  padding: 26px 24px;
}

nav {
  display: grid;
  gap: 6px;
  align-content: start;
}

.entry {
  display: flex;
  justify-content: space-between;
  min-height: 38px;
  padding: 7px 12px;
  border-radius: 9px;
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
  gap: 16px;
  align-content: start;
}

.head {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
}

h1 {
  font-size: 28px;
}

h2 {
  font-size: 18px;
}

.block {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 16px 20px;
}

.all {
  display: flex;
  gap: 6px;
}

ul {
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  padding: 4px 0;
}

.problem {
  color: var(--warm);
  font-weight: 560;
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
