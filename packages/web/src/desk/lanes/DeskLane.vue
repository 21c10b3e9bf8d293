<script setup lang="ts">
/** One lane on the student's desk: head with figures, the line to edit. */
import { valueAt } from '@rudlo/core/envelope'
import { laneName, levelInWords } from '@rudlo/core/assess'
import { envelopeOf, resolve } from '@rudlo/core/mix'
import { beatInWords, placeInWords } from '@rudlo/core/time'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import LaneCanvas from '../../editor/lane/LaneCanvas.vue'
import LaneHead from '../../editor/lane/LaneHead.vue'
import { bubbleOf, type Told } from '../../editor/lane/draw-bubble'
import type { LiveLine } from '../../editor/lane/line-front'
import RegionHandles from '../../editor/lane/RegionHandles.vue'
import LineSurface from '../../editor/lane/LineSurface.vue'
import { useLineEditor } from '../../editor/lane/line-editor'
import { useOverviews } from '../../editor/lane/use-overviews'
import { ALL_VALUES, zoomValues, type Values, type Viewport } from '../../editor/lane/viewport'
import { usePass } from '../pass/pass-store'
import { isPlaced } from '../remarks/placed'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import DeskHands from './DeskHands.vue'
import LaneChooser from './LaneChooser.vue'
import LaneCorner from './LaneCorner.vue'
import LaneSwitches from './LaneSwitches.vue'
import RegionQuestion from './RegionQuestion.vue'
import { useRegionMoves } from './region-moves'
import { useTrying } from '../remarks/trying'

const props = defineProps<{
  address: string
  /** Whether this is the lane that is worked on: its bars can be selected, its points typed. */
  active: boolean
  /** Whether other lanes share the desk. */
  compact: boolean
}>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const pass = usePass()
const trying = useTrying()

const song = computed(() => desk.song!)
const time = computed(() => desk.time!)
const mix = computed(() => work.mix!)
const overviews = useOverviews(() => desk.song)
const view = shallowRef<Viewport | null>(null)

const addressed = computed(() => resolve(mix.value, props.address)!)
/** The track whose regions lie behind the lane. */
const track = computed(() => mix.value.tracks.find((t) => t.id === addressed.value.owner))
const control = computed(() => addressed.value.control)
const envelope = computed(() => work.envelope(props.address))
const points = computed(() => envelope.value?.points ?? [])
const name = computed(() => laneName(song.value, mix.value, props.address))
const spokenName = computed(() => `${name.value}, ${control.value.name.toLowerCase()}`)
/** Whose lane it is, without what it moves. */
const ownerName = computed(() => name.value.split(',')[0]!)
const locked = computed(() => {
  if (work.elsewhere) return 'This work is open in another window.'
  if (pass.writing.length) return 'Your hand is writing: stop first.'
  return desk.isOpen(props.address)
    ? ''
    : envelope.value?.open === false
      ? `${name.value} is locked.`
      : `${name.value} is locked: the brief does not ask for it.`
})

const editor = useLineEditor({
  points: () => points.value,
  control: () => control.value,
  setting: () => addressed.value.setting,
  meter: () => time.value.meter,
  songLength: () => song.value.length,
  snap: desk.snap,
  laneName: () => `${control.value.name.toLowerCase()} of ${name.value}`,
  address: () => props.address,
  begin: work.begin,
  preview: (next) => work.preview(props.address, next),
  settle: work.settle,
  commit: work.commit,
  cancel: work.cancel,
  set: (next, change) => work.setPoints(props.address, next, change),
  refuse: (reason) => (work.notice = reason),
})

watch(
  () => props.address,
  () => {
    editor.select(-1)
    values.value = ALL_VALUES
  },
)
watch(points, (now) => {
  // what was undone or redone may have fewer points
  if (!editor.drag.value && Math.max(editor.selected.value, ...editor.chosen.value) >= now.length)
    editor.select(now.length - 1)
})

const inCharge = computed(() => points.value.length > 0 && envelope.value?.on !== false && player.moves)
const now = computed(() =>
  inCharge.value ? valueAt(points.value, control.value.scale, player.position) : addressed.value.setting,
)
const held = computed(() => editor.drag.value && editor.current.value)
const shownValue = computed(() => held.value?.value ?? now.value)
const where = () =>
  held.value
    ? placeInWords(time.value.meter, held.value.tick)
    : beatInWords(time.value.meter, player.position)
const words = () => {
  if (!player.moves) return 'moves are off: the fader counts'
  if (!points.value.length) return 'no line yet: the fader counts'
  return control.value.scale.kind === 'level' ? levelInWords(shownValue.value) : ''
}

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

function typedValue(value: number, clamped: boolean): void {
  const p = editor.current.value
  if (!p) return
  editor.moveSelected(p.tick, value)
  if (clamped)
    work.notice = `That is beyond the end of the fader: it is ${control.value.unit.format(value)} now.`
}

const moves = useRegionMoves()
const framesOf = (asset: string) => song.value.assets.find((a) => a.id === asset)?.frames ?? 0

/** Keys go on where they were when another way of working is chosen: the lane's surface for it takes them over. */
const lane = ref<HTMLElement>()
watch(
  () => desk.hand,
  async (hand) => {
    const { activeElement, body } = document
    if (!props.active || (activeElement !== body && !lane.value?.contains(activeElement))) return
    await nextTick()
    const line = '[aria-roledescription=line]'
    const surface = hand === 'points' ? line : `[role=application]:not(${line})`
    lane.value?.querySelector<HTMLElement>(surface)?.focus({ preventScroll: true })
  },
)

/** The lane whose line gets the keys is the one that is worked on. */
function focused(event: FocusEvent): void {
  if ((event.target as HTMLElement).matches('[role=application]')) desk.address = props.address
}

const owner = computed(() => song.value.tracks.findIndex((t) => t.id === addressed.value.owner))
/** The loudness of the track where it is known, else of the mix. */
const ownLoudness = computed(() => (owner.value >= 0 ? player.trackTrace(owner.value) : null))
const whose = computed(() => (ownLoudness.value ? 'this track' : 'the mix'))
const told = shallowRef<Told | null>(null)
/** What is drawn with every frame of a moving hand; all else follows when it rests. */
const live = (): LiveLine => {
  const inHand = work.inHand?.address === props.address ? work.inHand.points : null
  const p = told.value && (inHand ?? points.value)[told.value.index]
  return {
    points: inHand,
    loudness: ownLoudness.value ?? player.measured?.momentary ?? null,
    bubble: p && view.value ? bubbleOf(p, told.value!, control.value, time.value.meter, view.value) : null,
  }
}
const overs = computed(() => player.overs.map((hop) => time.value.tempo.tickAt(hop / 10)))

const values = shallowRef<Values>(ALL_VALUES)
const zoomTall = (travel: number, factor: number) => (values.value = zoomValues(values.value, travel, factor))

/** By itself, so that what depends on it stays while only the line changes. */
const setting = computed(() => addressed.value.setting)
/** Sets every selected point to a value that a control is often set to. */
const RESTS = computed(() => {
  const { initial, neutral, scale } = control.value
  const rests = [{ text: 'its default', value: initial }]
  if (neutral !== initial) rests.push({ text: 'where it does nothing', value: neutral })
  if (scale.kind === 'level') rests.push({ text: 'silence', value: scale.min })
  rests.push({ text: 'the control’s setting', value: setting.value })
  if (desk.copiedValue && desk.copiedValue.control.unit === control.value.unit)
    rests.push({ text: 'the copied value', value: desk.copiedValue.value })
  return rests
})

function copyValue(): void {
  const p = editor.current.value
  if (p) desk.copiedValue = { value: p.value, control: control.value }
}

// when zoomed in, the view turns over like a page as the song reaches its end
watch(
  () => player.position,
  (tick) => {
    const { from, to } = desk.span
    if (
      desk.turns &&
      props.active &&
      player.playing &&
      !editor.drag.value &&
      tick > to &&
      to < song.value.length
    )
      desk.scroll(tick - from)
  },
)
</script>

<template>
  <section
    ref="lane"
    class="lane"
    :class="{ active: active && compact, compact }"
    :aria-label="`Lane: ${name}`"
    @pointerdown.capture="desk.address = address"
    @focusin="focused"
  >
    <LaneHead
      :name="ownerName"
      :control="control"
      :meter="time.meter"
      :value="() => shownValue"
      :where="where"
      :note="words"
      :compact="compact"
      :point="editor.current.value"
      :count="editor.chosen.value.size"
      :rests="RESTS"
      :has-next="editor.selected.value + 1 < points.length"
      :editable="!locked"
      @value="typedValue"
      @place="(tick: number) => editor.moveSelected(tick, editor.current.value!.value)"
      @form="editor.setSelectedForm"
      @give="editor.giveValue"
      @copy="copyValue"
      @remove="editor.removeSelected"
      @nonsense="(sentence: string) => (work.notice = sentence)"
    >
      <template #corner><LaneCorner :address="address" :folded="false" /></template>
      <template #control><LaneChooser :address="address" /></template>
      <p v-if="locked || !compact" class="soft help">
        <template v-if="locked">
          <v-icon icon="$locked" size="16" :title="locked" />
          <template v-if="!compact">{{ locked }}</template>
          <button
            v-if="!work.elsewhere && !pass.writing.length"
            class="chip open"
            data-test="open-lane"
            @click="desk.setOpen(address, true)"
          >
            Open it
          </button>
        </template>
        <template v-else-if="desk.hand === 'bars'">Drag over the bars you mean.</template>
        <template v-else-if="desk.hand === 'freehand'">Draw the line with your hand.</template>
        <template v-else-if="desk.hand === 'cells'"
          >Every {{ desk.cellName }} takes one value. With Ctrl it is cleared.</template
        >
        <template v-else-if="!points.length">Click on the lane to set the first point.</template>
        <template v-else>Click to add a point, drag to move one.</template>
      </p>
      <LaneSwitches
        v-if="!locked"
        :address="address"
        :owner="ownerName"
        :track="track?.id ?? null"
        :moves="moves"
        :tall="values !== ALL_VALUES"
        @stamp="(as) => editor.stampHere(player.position, as)"
        @all-values="values = ALL_VALUES"
      />
      <p v-if="desk.hinted?.lane === address && !compact" class="before">
        <i aria-hidden="true" /> {{ trying.heard ? 'the suggestion' : 'a hint' }}
      </p>
      <label v-else-if="desk.newest && !compact" class="before">
        <input v-model="showBefore" type="checkbox" /> <i aria-hidden="true" /> your version
        {{ desk.newest.number }}
      </label>
    </LaneHead>
    <LaneCanvas
      class="canvas"
      :song="song"
      :time="time"
      :mix="mix"
      :address="address"
      :span="desk.span"
      :values="values"
      :overviews="overviews"
      :position="() => player.position"
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
      @size="(v: Viewport) => (view = v)"
      @pin="showPin"
    >
      <LineSurface
        v-if="view"
        :view="view"
        :points="points"
        :control="control"
        :editor="editor"
        :meter="time.meter"
        :step="desk.step"
        :name="spokenName"
        :locked="locked"
        :here="() => ({ tick: player.position, value: now })"
        :test="active ? 'line' : 'line-beside'"
        @zoom="desk.zoom"
        @scroll="desk.scroll"
        @tall="zoomTall"
        @refuse="(reason: string) => (work.notice = reason)"
        @tell="(t: Told | null) => (told = t)"
      />
      <DeskHands
        v-if="view && !locked"
        :address="address"
        :view="view"
        :points="points"
        :name="spokenName"
        :owner="ownerName"
      />
      <RegionHandles
        v-if="view && track"
        :view="view"
        :time="time"
        :regions="track.regions"
        :track="ownerName"
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
    </LaneCanvas>
  </section>
</template>

<style scoped>
.lane {
  position: relative;
  display: grid;
  grid-template-columns: 186px minmax(0, 1fr);
  min-height: 0;
  overflow: hidden;
}

.lane.active::before {
  content: '';
  position: absolute;
  z-index: 5;
  inset: 0 auto 0 0;
  width: 4px;
  background: var(--ink);
}

.canvas {
  height: 100%;
}

.help {
  margin-top: 10px;
  font-size: 14px;
}

.compact .help {
  margin-top: 2px;
}

.open {
  margin-top: 6px;
}

.before {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  margin-top: auto;
  font-size: 14px;
}

.before i {
  width: 26px;
  border-top: 2px dotted var(--ink);
}
</style>
