<script setup lang="ts">
/** The first page after signing in: the assignments, and the one thing to do next with each. */
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '../../api/session-store'
import { server, told } from '../../api/client'
import type { AssignmentCard } from '@rudlo/contract/assignments'
import AppHeader from '../../shell/AppHeader.vue'
import NewAssignment from './NewAssignment.vue'
import { whenText } from '../../words/dates'
import { prefetch } from '../../ui/prefetch'
import { standingOf } from './standing'
import AppButton from '../../ui/buttons/AppButton.vue'

const session = useSession()
const router = useRouter()
const cards = shallowRef<readonly AssignmentCard[] | null>(null)
const problem = ref('')
const making = ref(false)

/** What is said where there is no assignment: who is in no class any more is told so. */
const nothing = computed(() => {
  const { role, isOut, classes } = session.person ?? {}
  if (isOut)
    return {
      title: 'You do not teach a class here at the moment',
      text: 'Ask a colleague to add you to one of theirs.',
    }
  if (role === 'student' && classes === 0)
    return {
      title: 'You are not in a class at the moment',
      text: 'Your teacher can add you again; everything you made is still there.',
    }
  const text =
    role === 'teacher'
      ? 'There is no assignment for your groups yet.'
      : 'As soon as your teacher gives your group an assignment, it is here.'
  return { title: 'Nothing to do yet', text }
})

async function load(): Promise<void> {
  problem.value = ''
  try {
    const found = await told(server.assignments.$get())
    if (!found.length) await session.look()
    cards.value = found
  } catch (error) {
    problem.value = (error as Error).message
  }
}

onMounted(async () => {
  await load()
  const first = cards.value?.[0]
  if (first) fetchAhead(first).catch(() => null)
})

/** Fetches what most likely comes next while the page is read: the next page, and the sound of the first song. */
async function fetchAhead(card: AssignmentCard): Promise<void> {
  const page = prefetch(router, card.counts ? `/review/${card.id}` : `/bench/${card.id}`)
  const { loadAudio, warmDecoders } = await import('../../engine/asset-loader')
  warmDecoders()
  const { songDocument } = await told(
    server.assignments[':assignment'].$get({ param: { assignment: card.id } }),
  )
  await Promise.all([page, loadAudio(songDocument.assets, () => null)]).catch(() => null)
}
</script>

<template>
  <AppHeader />
  <main class="home">
    <div class="top">
      <h1>Hello {{ session.person?.name.split(' ')[0] }}</h1>
      <nav
        v-if="session.person?.role === 'teacher' && !session.person.isOut"
        class="places"
        aria-label="Places"
      >
        <AppButton tone="quiet" to="/groups" data-test="groups">Groups</AppButton>
        <AppButton tone="quiet" to="/songs" data-test="songbook">Songbook</AppButton>
        <AppButton data-test="new-assignment" @click="making = true">New assignment</AppButton>
      </nav>
    </div>
    <div v-if="problem" class="sheet blank">
      <p role="alert">{{ problem }}</p>
      <AppButton @click="load">Try again</AppButton>
    </div>
    <p v-else-if="!cards" class="soft">Looking for your assignments …</p>
    <div v-else-if="!cards.length" class="sheet blank">
      <h2>{{ nothing.title }}</h2>
      <p class="soft">{{ nothing.text }}</p>
    </div>
    <article v-for="card in cards" :key="card.id" class="sheet card">
      <div class="words">
        <p class="soft">{{ card.group }} · {{ card.song }}</p>
        <h2>{{ card.title }}</h2>
        <p class="purpose">{{ card.purpose }}</p>
        <ol>
          <li v-for="task in card.tasks" :key="task">{{ task }}</li>
        </ol>
      </div>
      <div class="next">
        <p class="state">
          <span class="sign" :class="standingOf(card).sign" aria-hidden="true" />{{ standingOf(card).text }}
        </p>
        <p v-if="card.draft" class="soft">Draft: students do not see it</p>
        <p v-if="card.dueAt" class="soft">Due {{ whenText(card.dueAt) }}</p>
        <AppButton tone="main"
          large
          :to="card.counts ? `/review/${card.id}` : `/bench/${card.id}`"
        >
          {{ card.counts ? 'Open the review desk' : standingOf(card).button }}
        </AppButton>
        <AppButton tone="quiet" v-if="card.counts" :to="`/brief/${card.id}`" data-test="edit-brief"
          >Brief and settings</AppButton>
      </div>
    </article>
    <NewAssignment v-if="cards && session.person?.role === 'teacher'" v-model="making" :cards="cards" />
  </main>
</template>

<style scoped>
.home {
  display: grid;
  gap: 18px;
  width: min(960px, 100%);
  margin: 0 auto;
  padding: 34px 24px;
}

.top {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
}

.places {
  display: flex;
  gap: 6px;
}

h1 {
  font-size: 34px;
}

h2 {
  font-size: 24px;
}

.blank {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 28px;
}

.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 270px;
  gap: 34px;
  padding: 26px 28px;
}

.words {
  display: grid;
  gap: 8px;
  align-content: start;
}

.purpose {
  font-size: 17px;
}

ol {
  margin: 4px 0 0;
  padding-left: 22px;
}

li {
  padding: 2px 0;
}

.next {
  display: grid;
  gap: 8px;
  align-content: end;
}

.state {
  display: flex;
  gap: 9px;
  align-items: baseline;
  font-size: 17px;
  font-weight: 620;
}

.sign {
  flex: none;
  width: 14px;
  height: 10px;
  border: 2px solid var(--soft);
  border-radius: 50%;
  transform: rotate(-20deg);
}

.sign.going {
  border-color: var(--family-volume);
}

.sign.waiting {
  border-color: var(--close);
  background: var(--close);
}

.sign.back {
  border-color: var(--warm);
  background: var(--warm);
}

.sign.done {
  border-color: var(--good);
  background: var(--good);
}

@media (max-width: 760px) {
  .card {
    grid-template-columns: 1fr;
    gap: 18px;
  }
}
</style>
