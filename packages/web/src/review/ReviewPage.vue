<script setup lang="ts">
/** The teacher's screen for one hand-in, with the queue beside it. */
import type { CheckPlace } from '@rudlo/core/checks'
import { resolve } from '@rudlo/core/mix'
import { computed, onBeforeUnmount, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { usePlayer } from '../audio/player-store'
import type { Span } from '../lane/viewport'
import type { Outcome } from '../server/views'
import FilesDialog from '../files/FilesDialog.vue'
import AppHeader from '../shell/AppHeader.vue'
import KeysDialog from '../shell/KeysDialog.vue'
import NoticeBar from '../shell/NoticeBar.vue'
import { usePageKeys } from '../shell/page-keys'
import SongStrip from '../strip/SongStrip.vue'
import TrackCards from '../tracks/TrackCards.vue'
import TransportBar from '../transport/TransportBar.vue'
import { REVIEW_KEYS } from './keys'
import LaneView from './LaneView.vue'
import QueueList from './QueueList.vue'
import { useReview, type Heard } from './review-store'
import SayPanel from './SayPanel.vue'
import SummarySheet from './SummarySheet.vue'

const props = defineProps<{ assignment: string; handIn?: string }>()

const LOOK_AGAIN_MS = 1000

const review = useReview()
const player = usePlayer()
const router = useRouter()
const problem = ref('')
const keys = ref(false)
const files = ref(false)
const busy = ref(false)
const picked = shallowRef<Span | null>(null)

async function open(): Promise<void> {
  problem.value = ''
  try {
    if (review.assignment?.id !== props.assignment) await review.open(props.assignment)
    player.prepare(review.song!)
    const wanted = props.handIn || (review.waiting[0] ?? review.done[0])?.id
    if (!props.handIn && wanted) return void router.replace(`/review/${props.assignment}/${wanted}`)
    picked.value = null
    if (wanted) await review.lay(wanted)
  } catch (error) {
    problem.value = (error as Error).message
  }
}

watch(() => [props.assignment, props.handIn], open, { immediate: true })
const timer = setInterval(() => {
  const { measurement, before } = review.handIn ?? {}
  if (review.handIn && (!measurement || before?.measurement === null))
    void review.lookAgain().catch(() => null)
}, LOOK_AGAIN_MS)
onBeforeUnmount(() => {
  clearInterval(timer)
  // at once: whatever is opened next must not be closed by what is left
  void player.close()
  void review.flush()
})
onUnmounted(() => review.clear())

/** Goes to another hand-in, once what was said about this one is safe; otherwise it stays and says why. */
async function choose(id: string): Promise<void> {
  if (await review.flush()) await router.push(`/review/${props.assignment}/${id}`)
}

const waits = computed(() => review.handIn !== null && review.handIn.state !== 'given back')

async function giveBack(outcome: Outcome): Promise<void> {
  busy.value = true
  try {
    const next = await review.giveBack(outcome)
    review.notice = outcome === 'accepted' ? 'Accepted and given back.' : 'Given back for another version.'
    if (next) await choose(next)
  } catch (error) {
    review.notice = (error as Error).message
  } finally {
    busy.value = false
  }
}

/** The next (1) or previous (−1) entry of the queue as it is listed. */
function step(by: 1 | -1): void {
  const listed = [...review.waiting, ...review.done]
  const to = listed[listed.findIndex((q) => q.id === review.handIn?.id) + by]
  if (to) void choose(to.id)
}

const flags = computed(() =>
  review.remarks.map((r, i) => ({
    id: r.id,
    text: String(i + 1),
    tick: (r.from + r.to) / 2,
    kind: 'remark' as const,
  })),
)
const heardChoices = computed<readonly (readonly [Heard, string])[]>(() => [
  ['this', 'This version'],
  ...(review.handIn?.before ? [['before', `Version ${review.handIn.before.number}`] as const] : []),
  ['start', 'Starting mix'],
  ...(review.model ? [['model', 'The model'] as const] : []),
])

/** Begins a remark with what was measured, at its place: whole bars of its lane. */
function remarkOn({ lane, from, to }: CheckPlace, sentence: string): void {
  const { meter, length } = review.time!
  if (lane && resolve(review.mix!, lane)) review.address = lane
  const first = meter.barStart(meter.placeAt(Math.min(from, length - 1)).bar)
  const last = meter.barStart(meter.placeAt(Math.max(from, to - 1)).bar + 1)
  picked.value = { from: first, to: Math.min(length, Math.max(last, first + 1)) }
  review.draft = sentence
}

function showFlag(id: string): void {
  const remark = review.remarks.find((r) => r.id === id)
  if (remark) review.showRemark(remark)
}

usePageKeys({
  ' ': () => player.toggle(),
  o: () => player.setLoop(player.loop, !player.looping),
  v: () => player.setMoves(!player.moves),
  n: () => step(1),
  p: () => step(-1),
  '?': () => (keys.value = true),
})
</script>

<template>
  <div class="review">
    <FilesDialog
      v-if="review.handIn && review.mix"
      v-model="files"
      :song="review.song!"
      :mix="review.mix"
      :title="`${review.assignment!.title}, version ${review.handIn.number}`"
      :bundle="`/api/hand-ins/${review.handIn.id}/bundle`"
    />
    <AppHeader before="Review desk" :title="review.assignment?.title">
      <template v-if="review.handIn">
        <p class="soft left">{{ review.waiting.length }} waiting</p>
        <v-btn
          variant="text"
          icon="$files"
          size="small"
          aria-label="Take it with you"
          title="Take it with you: mix, tracks, bundle"
          data-test="files"
          @click="files = true"
        />
        <template v-if="waits">
          <v-btn
            :loading="busy"
            :disabled="!review.handIn.measurement"
            data-test="again"
            @click="giveBack('again')"
          >
            Ask for another version
          </v-btn>
          <v-btn
            color="primary"
            variant="flat"
            :loading="busy"
            :disabled="!review.handIn.measurement"
            data-test="accept"
            @click="giveBack('accepted')"
          >
            Accept
          </v-btn>
        </template>
        <p v-else class="given">
          <v-icon icon="$met" size="20" />{{
            review.handIn.outcome === 'accepted' ? 'Accepted' : 'Given back'
          }}
        </p>
      </template>
    </AppHeader>

    <main v-if="problem" class="lost">
      <p role="alert">{{ problem }}</p>
      <v-btn @click="open">Try again</v-btn>
    </main>
    <main v-else-if="review.assignment && !review.queue.length" class="lost">
      <h1>Nothing has been handed in yet</h1>
      <p class="soft">As soon as a student hands in a version, it lies here, oldest first.</p>
    </main>
    <main v-else-if="!review.handIn" class="lost"><v-progress-circular indeterminate /></main>
    <template v-else>
      <div class="room">
        <QueueList
          :assignment="assignment"
          :waiting="review.waiting"
          :done="review.done"
          :current="review.handIn.id"
          @choose="choose"
        />
        <main class="middle">
          <SummarySheet
            :song="review.song!"
            :hand-in="review.handIn"
            :tasks="review.assignment!.brief.tasks"
            @show="review.showPlace"
            @take="remarkOn"
          />
          <SongStrip
            :song="review.song!"
            :time="review.time!"
            :position="player.position"
            :momentary="player.measured?.momentary ?? review.handIn.measurement?.momentary ?? null"
            :loop="player.loop"
            :looping="player.looping"
            :shown="review.span"
            :flags="flags"
            @go="player.seek"
            @loop="(stretch) => player.setLoop(stretch, true)"
            @flag="showFlag"
          />
          <LaneView :picked="picked" @span="(s) => (picked = s)" />
          <TrackCards
            :song="review.song!"
            :mix="review.mix!"
            :address="review.address"
            :peaks="player.trackPeaks"
            :is-open="(a) => review.assignment!.brief.open.includes(a)"
            @choose="(address) => (review.address = address)"
          />
        </main>
        <SayPanel :key="review.handIn.id" :span="picked" @span="(s) => (picked = s)" />
      </div>
      <TransportBar :time="review.time!" @keys="keys = true">
        <div class="heard" role="radiogroup" aria-label="What is heard">
          <button
            v-for="[which, text] in heardChoices"
            :key="which"
            class="chip dark"
            role="radio"
            :aria-checked="review.heard === which"
            @click="review.hear(which)"
          >
            {{ text }}
          </button>
        </div>
      </TransportBar>
      <NoticeBar v-model="review.notice" />
    </template>
    <KeysDialog v-model="keys" :groups="REVIEW_KEYS" />
  </div>
</template>

<style scoped>
.review {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
  min-height: 560px;
}

.room {
  display: grid;
  flex: 1;
  grid-template-columns: 204px minmax(0, 1fr) 300px;
  min-height: 0;
}

.middle {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  min-height: 0;
  padding: 10px 12px;
  border-left: 1px solid var(--rule);
}

.left {
  white-space: nowrap;
}

.given {
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 620;
}

.lost {
  display: grid;
  flex: 1;
  gap: 14px;
  place-content: center;
  justify-items: center;
}

.heard {
  display: flex;
  gap: 4px;
}

.chip.dark {
  background: transparent;
  border-color: transparent;
  color: var(--on-desk);
}

.chip.dark[aria-checked='true'] {
  background: var(--on-desk);
  color: var(--desk);
}
</style>
