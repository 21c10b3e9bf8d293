<script setup lang="ts">
/** The teacher's screen for one hand-in, with the queue beside it. */
import type { CheckPlace } from '@rudlo/core/evidence'
import { resolve } from '@rudlo/core/mix'
import { computed, onBeforeUnmount, onUnmounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { usePlayer } from '../../engine/player-store'
import FilesDialog from '../../desk/files/FilesDialog.vue'
import type { Span } from '../../editor/lane/viewport'
import { useLive } from '../../api/live-store'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/attempt'
import type { AssignmentCard } from '@rudlo/contract/assignments'
import AppHeader from '../../shell/AppHeader.vue'
import KeysDialog from '../../ui/KeysDialog.vue'
import NoticeBar from '../../ui/NoticeBar.vue'
import { usePageKeys } from '../../ui/page-keys'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import TrackCards from '../../desk/tracks/TrackCards.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import FiguresPanel from './FiguresPanel.vue'
import GiveBack from './GiveBack.vue'
import HeardChoice from './HeardChoice.vue'
import { REVIEW_KEYS } from './keys'
import LaneTabs from './LaneTabs.vue'
import LaneView from './LaneView.vue'
import { moveStretches, useMoveTour } from './move-tour'
import QueueList from './QueueList.vue'
import { useReview } from './review-store'
import SayPanel from './SayPanel.vue'
import { useSuggestion } from './suggest-store'
import SummarySheet from './SummarySheet.vue'
import { useVersions } from './versions-store'

const props = defineProps<{ assignment: string; handIn?: string }>()

/** So often a measurement is looked for while the live line is not open, and the desk says that it is in use. */
const LOOK_MS = 1000
/** So many times as seldom while the line is open. */
const SELDOM = 10
const BEAT_MS = 10_000

const review = useReview()
const versions = useVersions()
const suggestion = useSuggestion()
const player = usePlayer()
const router = useRouter()
const problem = ref('')
const keys = ref(false)
const files = ref(false)
const figures = ref(false)
/** Whether what is decided waits to be given back together. */
const hold = ref(false)
const picked = shallowRef<Span | null>(null)
const assignments = shallowRef<readonly AssignmentCard[]>([])
const give = useTemplateRef<InstanceType<typeof GiveBack>>('give')
const say = useTemplateRef<InstanceType<typeof SayPanel>>('say')

async function open(): Promise<void> {
  problem.value = ''
  await attempt(
    async () => {
      if (review.assignment?.id !== props.assignment) await review.open(props.assignment)
      player.prepare(review.song!)
      const wanted = props.handIn || (review.waiting[0] ?? review.held[0] ?? review.done[0])?.id
      if (!props.handIn && wanted) return void router.replace(`/review/${props.assignment}/${wanted}`)
      picked.value = null
      if (wanted) await review.lay(wanted)
    },
    (sentence) => (problem.value = sentence),
  )
}

watch(() => [props.assignment, props.handIn], open, { immediate: true })
told(server.assignments.$get()).then(
  (cards) => (assignments.value = cards),
  () => null,
)
const choosable = computed(() => assignments.value.map((a) => ({ ...a, waiting: a.counts?.waiting ?? 0 })))

const live = useLive()
live.listen(({ kind, data }) => {
  if (data.assignment !== props.assignment) return
  if (data.handIn === review.handIn?.id && kind !== 'handed in') void review.lookAgain().catch(() => null)
  else void review.refreshQueue().catch(() => null)
  if (kind === 'handed in') void review.look().catch(() => null)
})
let ticks = 0
const timer = setInterval(() => {
  // while the line is open, whatever is measured is told by it: then it is hardly ever asked
  if (live.connected && ++ticks % SELDOM !== 0) return
  const { measurement, measureProblem, before } = review.handIn ?? {}
  if (review.handIn && !measureProblem && (!measurement || before?.measurement === null))
    void review.lookAgain().catch(() => null)
}, LOOK_MS)
const beat = setInterval(() => void review.look().catch(() => null), BEAT_MS)
onBeforeUnmount(() => {
  clearInterval(timer)
  clearInterval(beat)
  // at once: whatever is opened next must not be closed by what is left
  void player.close()
  void review.flush()
})
onUnmounted(() => review.clear())

/** Goes to another hand-in, once what was said about this one is safe; otherwise it stays and says why. */
async function choose(id: string): Promise<void> {
  if (await review.flush()) await router.push(`/review/${props.assignment}/${id}`)
}

async function chooseAssignment(id: string): Promise<void> {
  if (!(await review.flush())) return
  await player.close()
  await router.push(`/review/${id}`)
}

const release = (at: Date | null) =>
  attempt(async () => {
    const count = await review.giveBackHeld(at)
    review.notice = at ? `${count} go back then.` : `${count} given back.`
  }, review.tell)

/** The next (1) or previous (−1) entry of the queue as it is listed. */
function step(by: 1 | -1): void {
  const listed = [...review.waiting, ...review.held, ...review.done]
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

const stretches = computed(() => moveStretches(review.handIn?.measurement?.moves ?? [], review.time!))
const tour = useMoveTour(
  () => stretches.value,
  ({ lanes, from, to }) => {
    if (!lanes.includes(review.address) && lanes[0]) review.address = lanes[0]
    if (from < review.span.from || to > review.span.to) review.showAll()
  },
)

/** Begins a remark with what was measured, at its place: whole bars of its lane. */
function remarkOn({ lane, from, to }: CheckPlace, sentence: string, subject = ''): void {
  const { meter, length } = review.time!
  if (lane && resolve(review.mix!, lane)) review.address = lane
  const first = meter.barStart(meter.placeAt(Math.min(from, length - 1)).bar)
  const last = meter.barStart(meter.placeAt(Math.max(from, to - 1)).bar + 1)
  picked.value = { from: first, to: Math.min(length, Math.max(last, first + 1)) }
  review.writeDraft(sentence, subject)
  say.value?.focusRemark()
}

/** What was found and not yet taken into a remark, worst first: unmet checks, then mistakes. */
const findings = computed(() => {
  const { assessment } = review.handIn ?? {}
  const said = new Set([...review.remarks.map((r) => r.subject), review.subject])
  return [
    ...(assessment?.tasks ?? [])
      .flatMap((t) => t.checks)
      .filter((c) => c.finding.verdict !== 'met')
      .map((c) => ({ place: c.finding.place, sentence: c.finding.sentence, subject: c.name })),
    ...(assessment?.mistakes ?? []).map((m) => ({ place: m.place, sentence: m.sentence, subject: m.name })),
  ].filter((f) => !said.has(f.subject))
})

function takeNext(): void {
  const [next] = findings.value
  if (next) remarkOn(next.place, next.sentence, next.subject)
  else review.notice = 'Everything that was found is in a remark.'
}

function hearNumber(index: number): void {
  const choice = versions.choices[index]
  if (choice) versions.hear(choice.key)
}

/** The track of the lane on the desk, alone. */
function soloLane(): void {
  const owner = resolve(review.mix!, review.address)?.owner
  if (!owner) return
  const kind = review.song!.tracks.some((t) => t.id === owner) ? 'tracks' : 'returns'
  player.toggleSolo(kind, owner, true)
}

usePageKeys({
  ' ': () => player.toggle(),
  o: () => player.setLoop(player.loop, !player.looping),
  v: () => player.setMoves(!player.moves),
  m: () => tour.toggle(),
  s: soloLane,
  '1': () => hearNumber(0),
  '2': () => hearNumber(1),
  '3': () => hearNumber(2),
  '4': () => hearNumber(3),
  e: () => versions.setMatched(!versions.matched),
  h: () => versions.setBlind(versions.blind === null),
  f: () => (figures.value = !figures.value),
  t: takeNext,
  r: () => say.value?.focusRemark(),
  c: () => say.value?.focusComment(),
  j: () => review.takeProposals(),
  a: () => give.value?.decide('accepted'),
  w: () => give.value?.decide('again'),
  n: () => step(1),
  p: () => step(-1),
  'Ctrl+z': () => suggestion.undo(),
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
          icon="$files"
          variant="text"
          size="small"
          aria-label="Take it with you"
          title="Take it with you: mix, tracks, bundle"
          data-test="files"
          @click="files = true"
        />
        <GiveBack ref="give" v-model:hold="hold" @next="choose" />
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
      <p v-if="review.other" class="told" role="status" data-test="other-teacher">
        {{ review.other }} has this hand-in on the desk just now. Nothing of theirs is written over.
      </p>
      <p v-if="review.newer" class="told" role="status" data-test="newer">
        Version {{ review.newer.number }} was handed in meanwhile.
        <button class="chip" @click="choose(review.newer.id)">Go to it</button>
      </p>
      <div class="room">
        <QueueList
          :assignment="assignment"
          :assignments="choosable"
          :waiting="review.waiting"
          :held="review.held"
          :done="review.done"
          :current="review.handIn.id"
          @choose="choose"
          @assignment="chooseAssignment"
          @release="release"
        />
        <main class="middle">
          <SummarySheet
            :song="review.song!"
            :hand-in="review.handIn"
            :tasks="review.assignment!.brief.tasks"
            @show="review.showPlace"
            @take="remarkOn"
            @measure="review.measureAgain()"
          />
          <PlayedStrip
            :song="review.song!"
            :time="review.time!"
            :momentary="review.handIn.measurement?.momentary"
            :shown="review.span"
            :flags="flags"
            @flag="review.showRemark"
          />
          <div class="row">
            <LaneTabs />
            <button
              v-if="!figures && !suggestion.drawing"
              class="chip quiet"
              title="Draw over the student’s line, on a copy"
              data-test="suggest"
              @click="suggestion.start()"
            >
              <v-icon icon="$write" size="16" />Suggest a line
            </button>
            <button
              class="chip quiet"
              :aria-pressed="figures"
              title="What was measured, in figures (F)"
              data-test="show-figures"
              @click="figures = !figures"
            >
              Figures
            </button>
          </div>
          <FiguresPanel v-if="figures" />
          <template v-else>
            <LaneView
              :picked="picked"
              @span="(s) => (picked = s)"
              @take="(place, text, subject) => remarkOn({ lane: review.address, ...place }, text, subject)"
            />
            <TrackCards
              class="cards"
              :song="review.song!"
              :mix="review.mix!"
              :address="review.address"
              :peaks="player.trackPeaks"
              :is-open="(a) => review.assignment!.brief.open.includes(a)"
              @choose="(address) => (review.address = address)"
            />
          </template>
        </main>
        <SayPanel ref="say" :key="review.handIn.id" :span="picked" @span="(s) => (picked = s)" />
      </div>
      <TransportBar :time="review.time!" @keys="keys = true">
        <HeardChoice :touring="tour.at.value !== null" :moves="stretches.length" @tour="tour.toggle()" />
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
  grid-template-columns: 204px minmax(0, 1fr) 308px;
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

.row {
  display: flex;
  flex: none;
  gap: 8px;
  align-items: start;
  justify-content: space-between;
}

.row .tabs {
  flex: 1;
}

.quiet {
  flex: none;
}

.left {
  white-space: nowrap;
}

.told {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 6px 18px;
  background: var(--wash);
  border-bottom: 1px solid var(--rule);
}

.lost {
  display: grid;
  flex: 1;
  gap: 14px;
  place-content: center;
  justify-items: center;
}

@media (max-height: 700px) {
  .cards {
    display: none;
  }
}

@media (max-width: 1100px) {
  .room {
    grid-template-columns: 168px minmax(0, 1fr) 260px;
  }
}
</style>
