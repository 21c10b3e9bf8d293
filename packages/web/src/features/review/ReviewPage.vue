<script setup lang="ts">
/** The teacher's screen for one hand-in, with the queue beside it. */
import type { CheckPlace } from '@rudlo/core/evidence'
import { resolve } from '@rudlo/core/mix'
import { computed, onBeforeUnmount, onUnmounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRouter } from 'vue-router'
import { usePlayer } from '../../engine/player-store'
import type { Span } from '../../editor/lane/viewport'
import { attempt } from '../../ui/forms/attempt'
import KeysDialog from '../../ui/keys/KeysDialog.vue'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import RoomState from '../../ui/page/RoomState.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import { openFindings } from './findings'
import HeardChoice from './HeardChoice.vue'
import { useReviewKeys } from './keys'
import { usePageKeys } from '../../ui/keys/page-keys'
import { moveStretches, useMoveTour } from './move-tour'
import FoundPanel from './FoundPanel.vue'
import ReviewHead from './ReviewHead.vue'
import ReviewMiddle, { type Below } from './ReviewMiddle.vue'
import { useReviewNews } from './review-news'
import { useReview } from './review-store'
import { useVoice } from './voice-store'
import { useReviewPictures } from './review-pictures'
import SayPanel from './SayPanel.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ assignment: string; handIn?: string }>()

const review = useReview()
const player = usePlayer()
const router = useRouter()
const problem = ref('')
const keys = ref(false)
const below = ref<Below>('heard')
const picked = shallowRef<Span | null>(null)
const pictures = useReviewPictures()
const voice = useVoice()
void voice.sendKept()
const head = useTemplateRef<InstanceType<typeof ReviewHead>>('head')
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
useReviewNews(() => props.assignment)
onBeforeUnmount(() => {
  // at once: whatever is opened next must not be closed by what is left
  void player.close()
  pictures.close()
  void voice.end()
  void review.flush()
})
onUnmounted(() => review.clear())

/** Goes to another hand-in, once what was said about this one is safe; otherwise it stays and says why. */
async function choose(id: string): Promise<void> {
  await voice.end()
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
    review.notice = at ? t('review.back-then', { n: count }) : t('review.back-now', { n: count })
  }, review.tell)

/** The next (1) or previous (−1) entry of the queue as it is listed. */
function step(by: 1 | -1): void {
  const listed = [...review.waiting, ...review.held, ...review.done]
  const to = listed[listed.findIndex((q) => q.id === review.handIn?.id) + by]
  if (to) void choose(to.id)
}

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
  review.frame(picked.value)
  review.writeDraft(sentence, subject)
  say.value?.focusRemark()
}

function takeNext(): void {
  const said = new Set([...review.remarks.map((r) => r.subject), review.subject])
  const [next] = openFindings(review.said, said)
  if (next) remarkOn(next.place, next.sentence, next.subject)
  else review.notice = t('review.all-used')
}

/** Overrules the next thing that was found: the teacher hears it otherwise. */
function overruleNext(): void {
  const [next] = openFindings(review.said, new Set())
  if (next) review.overrule(next.ref, { verdict: next.to, why: '' })
  else review.notice = t('review.nothing-to-overrule')
}

/** Whether the key is held by which a remark is spoken: held on it says nothing new, and only its coming up ends it. */
let isHeld = false
function holdToSpeak(): void {
  if (isHeld) return
  isHeld = true
  say.value?.speak()
}

const shortcuts = useReviewKeys({
  tour: () => tour.toggle(),
  below: (what) => (below.value = below.value === what ? 'heard' : what),
  queue: () => head.value?.queue(),
  takeNext,
  overruleNext,
  remark: () => say.value?.focusRemark(),
  speak: holdToSpeak,
  comment: () => say.value?.focusComment(),
  decide: (outcome) => head.value?.decide(outcome),
  step,
  keys: () => (keys.value = true),
})
usePageKeys(shortcuts)
useEventListener(window, 'keyup', ({ key }) => {
  if (!isHeld || key.toLowerCase() !== 'd') return
  isHeld = false
  void voice.end()
})
</script>

<template>
  <div class="review">
    <ReviewHead
      ref="head"
      :assignment="assignment"
      @next="choose"
      @step="step"
      @assignment="chooseAssignment"
      @release="release"
    />

    <main v-if="review.assignment && !review.queue.length && !problem" class="lost">
      <h1>{{ t('review.empty') }}</h1>
      <p class="soft">{{ t('review.empty.text') }}</p>
    </main>
    <main v-else-if="problem || !review.handIn" class="lost">
      <RoomState :problem="problem" loading @again="open" />
    </main>
    <template v-else>
      <p v-if="review.other" class="told" role="status" data-test="other-teacher">
        {{ t('review.other', { name: review.other }) }}
      </p>
      <p v-if="review.newer" class="told" role="status" data-test="newer">
        {{ t('review.newer', { number: review.newer.number }) }}
        <AppButton small @click="choose(review.newer.id)">{{ t('review.newer.go') }}</AppButton>
      </p>
      <div class="room">
        <FoundPanel
          :song="review.song!"
          :hand-in="review.handIn!"
          :tasks="review.assignment!.brief.tasks"
          :overrules="review.overrules"
          :chosen="pictures.taskId"
          @task="pictures.choose"
          @show="review.showPlace"
          @take="remarkOn"
          @overrule="review.overrule"
          @measure="review.measureAgain()"
        />
        <ReviewMiddle v-model:picked="picked" v-model:below="below" @remark="remarkOn" />
        <SayPanel ref="say" :key="review.handIn.id" :span="picked" @span="(s) => (picked = s)" />
      </div>
      <TransportBar :time="review.time!" @keys="keys = true">
        <HeardChoice :touring="tour.at.value !== null" :moves="stretches.length" @tour="tour.toggle()" />
      </TransportBar>
      <NoticeBar v-model="review.notice" />
    </template>
    <KeysDialog v-model="keys" :groups="shortcuts" />
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
  grid-template-columns: 288px minmax(0, 1fr) 308px;
  min-height: 0;
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

@media (max-width: 1100px) {
  .room {
    grid-template-columns: 232px minmax(0, 1fr) 260px;
  }
}
</style>
