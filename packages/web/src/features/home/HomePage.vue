<script setup lang="ts">
/** The first page after signing in: what a student does next, or the day of a teacher. */
import type { AssignmentCard } from '@rudlo/contract/assignments'
import type { TodayView as Today } from '@rudlo/contract/term'
import { promiseTimeout, useDebounceFn, useTimeoutFn } from '@vueuse/core'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { server, told } from '../../api/client'
import { away } from '../../api/away'
import { useLive } from '../../api/live-store'
import { useSession } from '../../api/session-store'
import AppHeader from '../../shell/AppHeader.vue'
import RoomPage from '../../ui/page/RoomPage.vue'
import { prefetch } from '../../ui/prefetch'
import { t } from '../../words/t'
import StudentHome from './StudentHome.vue'

const session = useSession()
const isTeacher = computed(() => session.person?.role === 'teacher')

/** A teacher's, with the calendar that lessons are given by: fetched while the day is asked for, and not by students. */
const fetchDay = () => import('./today/TodayView.vue')
const TodayView = defineAsyncComponent(fetchDay)

/** With all that a first assignment is made with: for a teacher who has none. */
const FirstSteps = defineAsyncComponent(() => import('./FirstSteps.vue'))

const router = useRouter()
const cards = shallowRef<readonly AssignmentCard[] | null>(null)
/** A teacher’s day; null before it has come, and for students. */
const today = shallowRef<Today | null>(null)
const problem = ref('')

const firstName = computed(() => session.person?.name.split(' ')[0] ?? '')

/** What is said where there is no assignment: who is in no class any more is told so. */
const empty = computed(() => {
  if (cards.value?.length !== 0) return null
  const { role, isOut, classes } = session.person ?? {}
  if (isOut) return { title: t('home.out'), text: t('home.out.text') }
  if (role === 'student' && classes === 0) return { title: t('home.no-class'), text: t('home.no-class.text') }
  return role === 'teacher' ? null : { title: t('home.empty'), text: t('home.empty.text') }
})

async function load(): Promise<void> {
  problem.value = ''
  try {
    // who was taken out of every class has no day to look at
    const isTeaching = isTeacher.value && !session.person?.isOut
    const [found, day] = await Promise.all([
      told(server.assignments.$get()),
      isTeaching ? told(server.today.$get()) : null,
      // so that there is no moment with nothing on the page; one that did not come is asked for again when it is shown
      isTeaching ? fetchDay().catch(() => null) : null,
    ])
    today.value = day
    if (!found.length) await session.look()
    cards.value = found
  } catch (error) {
    problem.value = (error as Error).message
  }
}

/** Several things that happen at once are looked at once. */
const REFRESH_MS = 600
/** What changes a teacher’s day is on the page as soon as it happens. */
const DAY = new Set(['handed in', 'withdrawn', 'measured', 'given back', 'help', 'helped', 'join', 'class'])
useLive().listen(({ kind }) => {
  if (today.value && DAY.has(kind)) void refresh()
})
const refresh = useDebounceFn(load, REFRESH_MS)
// what is shown meanwhile is what was known before
watch(away, (now) => !now && void refresh())
onMounted(async () => {
  await load()
  atRest.start()
})

let left = false
onBeforeUnmount(() => (left = true))
/** So long nothing else is wanted until the page is at rest, in ms: who goes on at once has the line for themselves. */
const AT_REST = 600
const SOUND_LATER = 4000
const atRest = useTimeoutFn(
  () => {
    const waits = today.value?.waiting[0]?.assignment
    const first = cards.value?.find((c) => c.id === waits) ?? cards.value?.[0]
    if (first) fetchAhead(first).catch(() => null)
  },
  AT_REST,
  { immediate: false },
)

/** Fetches what most likely comes next while the page is read: the next page, and the sound of the first song. */
async function fetchAhead(card: AssignmentCard): Promise<void> {
  const page = prefetch(router, card.counts ? `/review/${card.id}` : `/bench/${card.id}`)
  if (isTeacher.value) await prefetch(router, '/class')
  // a teacher goes to one of many places: sound is fetched only where the page goes on being read
  if (isTeacher.value) await promiseTimeout(SOUND_LATER)
  if (left) return
  const { loadAudio, warmDecoders } = await import('../../engine/asset-loader')
  warmDecoders()
  const { songDocument } = await told(
    server.assignments[':assignment'].$get({ param: { assignment: card.id } }),
  )
  await page
  // one after the other, and no more once somebody has gone on: what they open comes first
  for (const asset of songDocument.assets) {
    if (left) return
    await loadAudio([asset], () => null)
  }
}
</script>

<template>
  <AppHeader />
  <TodayView v-if="today && cards?.length && !problem" :today="today" />
  <RoomPage
    v-else
    :wide="isTeacher && !cards"
    :title="t('home.hello', { name: firstName })"
    :problem="problem"
    :loading="!cards"
    :empty="empty"
    @again="load"
  >
    <FirstSteps v-if="isTeacher" />
    <StudentHome v-else :cards="cards!" />
  </RoomPage>
</template>
