<script setup lang="ts">
/** Everybody's line of one lane on top of each other, with the middle half shaded; and two hand-ins side by side. */
import { laneName } from '@rudlo/core/assess'
import { describeDifference, compareMixes, middleHalf } from '@rudlo/core/compare'
import { allLanes, resolve, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useSpan } from '../../editor/lane/use-span'
import { server, told } from '../../api/client'
import { openHandIn } from '../../api/hand-in'
import { attempt } from '../../ui/attempt'
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { HandInView, LineOfOne, QueueEntry } from '@rudlo/contract/handins'
import AppHeader from '../../shell/AppHeader.vue'
import NoticeBar from '../../ui/NoticeBar.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import CrowdLane from './CrowdLane.vue'
import SideLane from './SideLane.vue'

const props = defineProps<{ assignment: string }>()

const player = usePlayer()
const given = shallowRef<AssignmentView | null>(null)
const queue = shallowRef<readonly QueueEntry[]>([])
const lines = shallowRef<readonly LineOfOne[]>([])
const lane = ref('')
const names = ref(true)
const pointed = ref<string | null>(null)
const sides = shallowRef<readonly [HandInView | null, HandInView | null]>([null, null])
const chosen = ref<[string, string]>(['', ''])
const heard = ref<0 | 1 | null>(null)
const problem = ref<string | null>(null)

const song = computed(() => given.value!.songDocument)
const time = computed(() => songTime(song.value))
const { span, zoom, scroll, showAll } = useSpan(() => (given.value ? time.value : null))
const start = computed(() => given.value!.startingMix)
const lanes = computed(() => {
  const asked = given.value!.brief.tasks.flatMap((t) => t.lanes)
  const all = [...new Set([...asked, ...allLanes(start.value)])]
  return all.map((address) => ({ address, name: laneName(song.value, start.value, address) }))
})
const control = computed(() => resolve(start.value, lane.value)?.control ?? null)
const drawn = computed(() => lines.value.flatMap((l) => (l.points ? [{ ...l, points: l.points }] : [])))
const middle = computed(() =>
  control.value && drawn.value.length > 2
    ? middleHalf(
        drawn.value.map((l) => l.points),
        control.value.scale,
        song.value.length,
      )
    : null,
)

const act = (what: () => Promise<void>) => attempt(what, (sentence) => (problem.value = sentence))

watch(
  () => props.assignment,
  (id) =>
    act(async () => {
      const opened = await told(server.assignments[':assignment'].$get({ param: { assignment: id } }))
      given.value = opened
      queue.value = await told(
        server.assignments[':assignment']['hand-ins'].$get({ param: { assignment: id }, query: {} }),
      )
      showAll()
      lane.value = opened.brief.tasks[0]?.lanes[0] ?? lanes.value[0]!.address
      const newest = queue.value.filter((q) => q.newest)
      chosen.value = [newest[0]?.id ?? '', newest[1]?.id ?? '']
      void player.open(opened.songDocument, opened.startingMix)
    }),
  { immediate: true },
)
watch([lane, () => given.value?.id], () =>
  act(async () => {
    if (!lane.value || !given.value) return
    lines.value = await told(
      server.assignments[':assignment'].lines.$get({
        param: { assignment: given.value.id },
        query: { lane: lane.value },
      }),
    )
  }),
)
watch(
  chosen,
  ([a, b]) =>
    act(async () => {
      const take = (id: string) => (id ? openHandIn(id) : Promise.resolve(null))
      sides.value = await Promise.all([take(a), take(b)])
      heard.value = null
    }),
  { deep: true },
)
onBeforeUnmount(() => void player.close())

const nameOf = ({ student, number }: QueueEntry) => `${student}, version ${number}`
const titleOf = (side: 0 | 1) => {
  const entry = queue.value.find((q) => q.id === chosen.value[side])
  return entry ? (names.value ? nameOf(entry) : side ? 'Another' : 'One') : ''
}
const difference = computed(() => {
  const [a, b] = sides.value
  if (!a || !b) return []
  const one = { mix: a.document.mix, measured: a.measurement }
  const two = { mix: b.document.mix, measured: b.measurement }
  return describeDifference(song.value, one, two, compareMixes(song.value, one, two))
})

function hear(side: 0 | 1): void {
  const mix: Mix | undefined = sides.value[side]?.document.mix
  if (!mix) return
  heard.value = side
  player.load(mix)
  if (!player.playing) void player.play()
}
</script>

<template>
  <div class="compare">
    <AppHeader before="Compare" :title="given?.title">
      <label class="names"><input v-model="names" type="checkbox" data-test="names" />names</label>
      <router-link class="chip" :to="`/review/${props.assignment}`">To the review desk</router-link>
    </AppHeader>
    <main v-if="given">
      <h1 class="unseen">Compare hand-ins</h1>
      <section class="sheet block crowd" aria-label="Everybody’s line">
        <header>
          <h2>Everybody’s line of</h2>
          <select v-model="lane" aria-label="Lane" data-test="crowd-lane">
            <option v-for="l in lanes" :key="l.address" :value="l.address">{{ l.name }}</option>
          </select>
          <p class="soft">
            {{
              middle
                ? 'Shaded: where the middle half of them lies.'
                : 'From three hand-ins on, the middle half is shaded.'
            }}
          </p>
        </header>
        <p v-if="!drawn.length" class="soft">Nobody has handed in yet.</p>
        <div v-else-if="control" class="with-names">
          <CrowdLane
            :song="song"
            :time="time"
            :control="control"
            :span="span"
            :lines="drawn"
            :middle="middle"
            :pointed="pointed"
            :position="player.position"
            @zoom="zoom"
            @scroll="scroll"
            @go="player.seek"
          />
          <ul v-if="names">
            <li v-for="l in drawn" :key="l.handIn">
              <button
                class="who"
                :aria-pressed="pointed === l.handIn"
                @mouseenter="pointed = l.handIn"
                @mouseleave="pointed = null"
                @focus="pointed = l.handIn"
                @blur="pointed = null"
                @click="chosen = [l.handIn, chosen[1]]"
              >
                {{ l.student }}
              </button>
            </li>
          </ul>
        </div>
      </section>
      <section class="sheet block" aria-label="Two side by side">
        <header>
          <h2>Two side by side</h2>
          <select
            v-for="side in [0, 1] as const"
            :key="side"
            v-model="chosen[side]"
            :aria-label="`Side ${side + 1}`"
          >
            <option v-for="q in queue" :key="q.id" :value="q.id">
              {{ names ? nameOf(q) : `Hand-in ${queue.indexOf(q) + 1}` }}
            </option>
          </select>
        </header>
        <div class="sides">
          <template v-for="side in [0, 1] as const" :key="side">
            <SideLane
              v-if="sides[side] && control"
              :title="titleOf(side)"
              :song="song"
              :time="time"
              :mix="sides[side]!.document.mix"
              :other="sides[1 - side]?.document.mix ?? null"
              :address="lane"
              :span="span"
              :heard="heard === side"
              @hear="hear(side)"
              @zoom="zoom"
              @scroll="scroll"
            />
          </template>
        </div>
        <ul class="difference" data-test="difference">
          <li v-for="s in difference" :key="s">{{ s }}</li>
        </ul>
      </section>
    </main>
    <TransportBar v-if="given" :time="time" />
    <NoticeBar v-model="problem" />
  </div>
</template>

<style scoped>
.compare {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
}

main {
  display: grid;
  flex: 1;
  grid-template-rows: minmax(220px, 1fr) minmax(220px, 1fr);
  gap: 10px;
  min-height: 0;
  padding: 10px 14px;
  overflow-y: auto;
}

.block {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  padding: 12px 16px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

h2 {
  font-size: 18px;
}

select {
  min-height: 34px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

.with-names {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 10px;
  min-height: 0;
}

ul {
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

.who {
  width: 100%;
  min-height: 32px;
  padding: 2px 10px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.who:hover,
.who[aria-pressed='true'] {
  background: var(--wash);
}

.sides {
  display: grid;
  flex: 1;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  min-height: 0;
}

.difference {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 2px 18px;
  max-height: 66px;
}

.names {
  display: flex;
  gap: 6px;
  align-items: center;
}

.chip {
  text-decoration: none;
}
</style>
