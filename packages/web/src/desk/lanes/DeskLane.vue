<script setup lang="ts">
/** One lane on the student's desk: head with figures, the line to edit. */
import { envelopeOf, resolve } from '@rudlo/core/mix'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import LaneShell from '../../editor/lane/LaneShell.vue'
import LineSurface from '../../editor/lane/LineSurface.vue'
import RegionHandles from '../../editor/lane/RegionHandles.vue'
import { bubbleOf, type Told } from '../../editor/lane/draw-bubble'
import type { LiveLine } from '../../editor/lane/line-front'
import type { Viewport } from '../../editor/lane/viewport'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { isPlaced } from '../remarks/placed'
import { kinOf } from './desk-lanes'
import DeskHands from './DeskHands.vue'
import DeskLaneHead from './DeskLaneHead.vue'
import RegionQuestion from './RegionQuestion.vue'
import { useRegionMoves } from './region-moves'
import { useLane } from './use-lane'
import { t } from '../../words/t'

const props = defineProps<{
  address: string
  /** Whether this is the lane that is worked on: its bars can be selected, its points typed. */
  active: boolean
  /** Whether other lanes share the desk. */
  compact: boolean
}>()

const emit = defineEmits<{
  /** Somebody goes on to what can be done with the bars. */
  act: []
}>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const surface = ref<InstanceType<typeof LineSurface>>()
const view = shallowRef<Viewport | null>(null)
const lane = useLane(
  () => props.address,
  () => (view.value && surface.value ? { view: view.value, element: surface.value.$el } : null),
)
const { control, points, editor, locked, track, owner } = lane

/** Its sign among the lanes of its family on the desk. */
const kin = computed(() =>
  kinOf(desk.lanes, props.address, (at) => resolve(work.mix!, at)?.control.family ?? ''),
)

/** What the teacher sees the version before as: a faint line, once there is one to compare with. */
const faint = computed(() => {
  if (desk.hinted?.lane === props.address) return [desk.hinted.points]
  const before = showBefore.value ? desk.newest?.document.mix : null
  const other = work.tries.find((t) => t.id === desk.compared)?.document.mix
  return [before, other].flatMap((m) => (m ? [envelopeOf(m, props.address)?.points ?? []] : []))
})
const showBefore = ref(true)

const pins = computed(() =>
  (desk.returned?.review?.remarks ?? []).flatMap((r, i) =>
    r.lane === props.address ? [{ ...r, number: i + 1 }] : [],
  ),
)
const showPin = (id: string) => {
  const remark = desk.returned?.review?.remarks.find((r) => r.id === id)
  if (remark && isPlaced(remark)) desk.showRemark(remark)
}

const moves = useRegionMoves()
const framesOf = (asset: string) => desk.song!.assets.find((a) => a.id === asset)?.frames ?? 0

/** Keys go on where they were when another way of working is chosen: the lane's surface for it takes them over. */
const shell = ref<InstanceType<typeof LaneShell>>()
watch(
  () => desk.hand,
  async (hand) => {
    const { activeElement, body } = document
    const element = shell.value?.$el as HTMLElement | undefined
    if (!props.active || (activeElement !== body && !element?.contains(activeElement))) return
    await nextTick()
    const line = '[aria-roledescription=line]'
    const surface = hand === 'points' ? line : `[role=application]:not(${line})`
    element?.querySelector<HTMLElement>(surface)?.focus({ preventScroll: true })
  },
)

/** The lane whose line gets the keys is the one that is worked on. */
function focused(event: FocusEvent): void {
  if ((event.target as HTMLElement).matches('[role=application]')) desk.address = props.address
}

const index = computed(() => desk.song!.tracks.findIndex((t) => t.id === lane.ownerId.value))
/** The loudness of the track where it is known, else of the mix. */
const ownLoudness = computed(() => (index.value >= 0 ? player.trackTrace(index.value) : null))
const whose = computed(() => (ownLoudness.value ? t('lane.this-track') : t('lane.the-mix')))
const told = shallowRef<Told | null>(null)
/** What is drawn with every frame of a moving hand; all else follows when it rests. */
const live = (): LiveLine => {
  const inHand = work.inHand?.address === props.address ? work.inHand.points : null
  const p = told.value && (inHand ?? points.value)[told.value.index]
  return {
    points: inHand,
    loudness: ownLoudness.value ?? player.measured?.momentary ?? null,
    bubble: p && view.value ? bubbleOf(p, told.value!, control.value, desk.time!.meter, view.value) : null,
  }
}
const overs = computed(() =>
  player.overs.map((hop) => (player.heardTime ?? desk.time!).tempo.tickAt(hop / 10)),
)

// when zoomed in, the view turns over like a page as the song reaches its end
watch(
  () => player.position,
  (tick) => {
    const { from, to } = desk.span
    const reached = tick > to && to < desk.song!.length
    if (reached && desk.turns && props.active && player.playing && !editor.drag.value)
      desk.scroll(tick - from)
  },
)
</script>

<template>
  <LaneShell
    ref="shell"
    class="lane"
    :class="{ active: active && compact, compact }"
    :aria-label="t('lane.label', { name: lane.name.value })"
    :song="desk.song!"
    :time="desk.time!"
    :mix="work.mix!"
    :address="address"
    :kin="kin"
    :held="track !== undefined"
    :span="desk.span"
    :selected="editor.selected.value"
    :chosen="editor.chosen.value"
    :live="live"
    :whose="whose"
    :overs="overs"
    :blank="desk.justListen"
    :faint="faint"
    :pointed="desk.pointed && (!desk.pointed.lane || desk.pointed.lane === address) ? desk.pointed : null"
    :marked="desk.selection ?? (desk.task && desk.task.lanes.includes(address) ? desk.task : null)"
    :pins="pins"
    :pinned="desk.pinned"
    @pointerdown.capture="desk.address = address"
    @focusin="focused"
    @size="(v: Viewport) => (view = v)"
    @pin="showPin"
    @zoom="desk.zoom"
    @scroll="desk.scroll"
  >
    <template #head="{ tall, allValues }">
      <DeskLaneHead
        v-model:before="showBefore"
        :address="address"
        :lane="lane"
        :kin="kin"
        :moves="moves"
        :active="active"
        :compact="compact"
        :tall="tall"
        @all-values="allValues"
      />
    </template>
    <template #default="{ view: shown, look }">
      <LineSurface
        ref="surface"
        v-bind="look"
        :view="shown"
        :points="points"
        :control="control"
        :editor="editor"
        :meter="desk.time!.meter"
        :step="desk.step"
        :name="lane.spokenName.value"
        :locked="locked"
        :here="() => ({ tick: player.position, value: lane.now.value })"
        :test="active ? 'line' : 'line-beside'"
        :boxed="lane.boxed.value"
        @box="lane.drawBox"
        @refuse="(reason: string) => (work.notice = reason)"
        @tell="(t: Told | null) => (told = t)"
      />
      <DeskHands
        v-if="!locked"
        :address="address"
        :view="shown"
        :look="look"
        :points="points"
        :name="lane.spokenName.value"
        :owner="owner"
        @act="emit('act')"
      />
      <RegionHandles
        v-if="track"
        :view="shown"
        :time="desk.time!"
        :regions="track.regions"
        :track="owner"
        :locked="work.elsewhere ? locked : ''"
        :snap="desk.snap"
        :frames="framesOf"
        @begin="work.begin"
        @preview="work.previewMix"
        @commit="work.commit"
        @moved="(region, by) => moves.drop(region, track!.id, by)"
        @refuse="(reason: string) => (work.notice = reason)"
      />
      <RegionQuestion
        v-if="moves.asked.value"
        v-model:remember="moves.remember.value"
        :copy="moves.asked.value.copy"
        @show="moves.show"
        @answer="moves.answer"
        @cancel="moves.cancel"
      />
    </template>
  </LaneShell>
</template>

<style scoped>
.lane {
  position: relative;
  grid-template-columns: 186px minmax(0, 1fr);
}

.lane.active::before {
  content: '';
  position: absolute;
  z-index: 5;
  inset: 0 auto 0 0;
  width: 4px;
  background: var(--ink);
}

@media (pointer: coarse) {
  .lane {
    grid-template-columns: 204px minmax(0, 1fr);
  }
}
</style>
