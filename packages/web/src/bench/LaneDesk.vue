<script setup lang="ts">
/** The lane on the student's desk: head with figures, the line to edit, zoom. */
import { begun, valueAt, type Points } from '@rudlo/core/envelope'
import { laneName, levelInWords } from '@rudlo/core/assess'
import { resolve, withLane } from '@rudlo/core/mix'
import { beatInWords, placeInWords } from '@rudlo/core/time'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../audio/player-store'
import LaneCanvas from '../lane/LaneCanvas.vue'
import LaneHead from '../lane/LaneHead.vue'
import RegionHandles from '../lane/RegionHandles.vue'
import FreehandSurface from '../lane/FreehandSurface.vue'
import SpanSurface from '../lane/SpanSurface.vue'
import LineSurface from '../lane/LineSurface.vue'
import { useLineEditor } from '../lane/line-editor'
import { useOverviews } from '../lane/use-overviews'
import type { Viewport } from '../lane/viewport'
import { useWork } from '../work/work-store'
import { useBench } from './bench-store'
import LaneChooser from './LaneChooser.vue'
import SpanBar from './SpanBar.vue'

const bench = useBench()
const work = useWork()
const player = usePlayer()

const song = computed(() => bench.song!)
const time = computed(() => bench.time!)
const mix = computed(() => work.mix!)
const overviews = useOverviews(() => bench.song)
const view = shallowRef<Viewport | null>(null)

const addressed = computed(() => resolve(mix.value, bench.address)!)
/** The track whose regions lie behind the lane. */
const track = computed(() => mix.value.tracks.find((t) => t.id === addressed.value.owner))
const control = computed(() => addressed.value.control)
const envelope = computed(() => work.envelope(bench.address))
const points = computed(() => envelope.value?.points ?? [])
const name = computed(() => laneName(song.value, mix.value, bench.address))
/** Whose lane it is, without what it moves. */
const ownerName = computed(() => name.value.split(',')[0]!)
const locked = computed(() => {
  if (work.elsewhere) return 'This work is open in another window.'
  return bench.isOpen(bench.address)
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
  grid: () => bench.grid,
  laneName: () => `${control.value.name.toLowerCase()} of ${name.value}`,
  address: () => bench.address,
  begin: work.begin,
  preview: (next) => work.preview(bench.address, next),
  commit: work.commit,
  cancel: work.cancel,
  set: (next, change) => work.setPoints(bench.address, next, change),
  refuse: (reason) => (work.notice = reason),
})

watch(
  () => bench.address,
  () => (editor.selected.value = -1),
)
watch(points, (now) => {
  if (editor.selected.value >= now.length) editor.selected.value = now.length - 1
})

const inCharge = computed(() => points.value.length > 0 && envelope.value?.on !== false && player.moves)
const now = computed(() =>
  inCharge.value ? valueAt(points.value, control.value.scale, player.position) : addressed.value.setting,
)
const held = computed(() => editor.drag.value && editor.current.value)
const shownValue = computed(() => held.value?.value ?? now.value)
const where = computed(() =>
  held.value
    ? placeInWords(time.value.meter, held.value.tick)
    : beatInWords(time.value.meter, player.position),
)
const words = computed(() => {
  if (!player.moves) return 'moves are off: the fader counts'
  if (!points.value.length) return 'no line yet: the fader counts'
  return control.value.scale.kind === 'level' ? levelInWords(shownValue.value) : ''
})

/** What the teacher sees the version before as: a faint line, once there is one to compare with. */
const faint = computed(() => {
  const before = showBefore.value
    ? bench.newest?.document.mix.envelopes.find((e) => e.address === bench.address)
    : null
  return before ? [before.points] : []
})
const showBefore = ref(true)

const pins = computed(() =>
  (bench.returned?.review?.remarks ?? [])
    .map((r, i) => ({ ...r, number: i + 1 }))
    .filter((r) => r.lane === bench.address),
)
const showPin = (id: string) => {
  const remark = bench.returned?.review?.remarks.find((r) => r.id === id)
  if (remark) bench.showRemark(remark)
}

function typedValue(value: number, clamped: boolean): void {
  const p = editor.current.value
  if (!p) return
  editor.moveSelected(p.tick, value)
  if (clamped)
    work.notice = `That is beyond the end of the fader: it is ${control.value.unit.format(value)} now.`
}

const change = (label: string, from = 0, to = song.value.length) => ({
  label: `${label}, ${control.value.name.toLowerCase()} of ${ownerName.value}`,
  lanes: [bench.address],
  from,
  to,
})

/** Switches the line off so that the control counts, or on again. */
function switchLine(): void {
  const on = envelope.value?.on === false
  work.setMix((mix) => withLane(mix, bench.address, { on }), change(on ? 'Line on' : 'Line off'))
}

const clearLane = () => work.setPoints(bench.address, [], change('Cleared the line'))

function drewFreely(from: number, to: number): void {
  work.commit(change('Drew freely', from, to))
}

// when zoomed in, the view turns over like a page as the song reaches its end
watch(
  () => player.position,
  (tick) => {
    const { from, to } = bench.span
    if (player.playing && !editor.drag.value && tick > to && to < song.value.length) bench.scroll(tick - from)
  },
)
</script>

<template>
  <section class="sheet desk" aria-label="Lane">
    <LaneHead
      :name="ownerName"
      :control="control"
      :meter="time.meter"
      :value="shownValue"
      :where="where"
      :note="words"
      :point="editor.current.value"
      :has-next="editor.selected.value + 1 < points.length"
      :editable="!locked"
      @value="typedValue"
      @place="(tick: number) => editor.moveSelected(tick, editor.current.value!.value)"
      @form="editor.setSelectedForm"
      @remove="editor.removeSelected"
      @nonsense="(sentence: string) => (work.notice = sentence)"
    >
      <template #control><LaneChooser /></template>
      <p class="soft help">
        <template v-if="locked">
          <v-icon icon="$locked" size="16" /> {{ locked }}
          <button
            v-if="!work.elsewhere"
            class="chip open"
            data-test="open-lane"
            @click="bench.setOpen(bench.address, true)"
          >
            Open it
          </button>
        </template>
        <template v-else-if="bench.hand === 'bars'">Drag over the bars you mean.</template>
        <template v-else-if="bench.hand === 'freehand'">Draw the line with your hand.</template>
        <template v-else-if="!points.length">Click on the lane to set the first point.</template>
        <template v-else>Click to add a point, drag to move one.</template>
      </p>
      <div v-if="points.length && !locked" class="switches">
        <button
          class="chip"
          :aria-pressed="envelope?.on !== false"
          title="Switch the line off, and the control counts again: to compare"
          data-test="line-on"
          @click="switchLine"
        >
          line {{ envelope?.on === false ? 'off' : 'on' }}
        </button>
        <button
          class="chip"
          aria-label="Lock this lane"
          title="Lock this lane: nothing changes it then"
          @click="bench.setOpen(bench.address, false)"
        >
          <v-icon icon="$locked" size="16" />
        </button>
        <button class="chip" title="Take the whole line away" data-test="clear-lane" @click="clearLane">
          clear
        </button>
      </div>
      <label v-if="bench.newest" class="before">
        <input v-model="showBefore" type="checkbox" /> <i aria-hidden="true" /> your version
        {{ bench.newest.number }}
      </label>
    </LaneHead>
    <LaneCanvas
      class="canvas"
      :song="song"
      :time="time"
      :mix="mix"
      :address="bench.address"
      :span="bench.span"
      :overviews="overviews"
      :position="player.position"
      :selected="editor.selected.value"
      :faint="faint"
      :marked="
        bench.selection ?? (bench.task && bench.task.lanes.includes(bench.address) ? bench.task : null)
      "
      :pins="pins"
      :pinned="bench.pinned"
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
        :grid="bench.grid"
        :name="`${name}, ${control.name.toLowerCase()}`"
        :locked="locked"
        :here="{ tick: player.position, value: now }"
        @zoom="bench.zoom"
        @scroll="bench.scroll"
        @refuse="(reason: string) => (work.notice = reason)"
      />
      <template v-if="view && !locked">
        <SpanSurface
          v-if="bench.hand === 'bars'"
          :view="view"
          :meter="time.meter"
          :grid="bench.grid"
          :song-length="song.length"
          :selection="bench.selection"
          @select="(s) => (bench.selection = s)"
        />
        <FreehandSurface
          v-if="bench.hand === 'freehand' && control.scale.kind !== 'switch'"
          :view="view"
          :control="control"
          :points="begun(points, control.scale, addressed.setting)"
          :song-length="song.length"
          @begin="work.begin"
          @preview="(p: Points) => work.preview(bench.address, p)"
          @commit="drewFreely"
          @cancel="work.cancel"
        />
        <SpanBar v-if="bench.selection" :address="bench.address" :name="ownerName" />
      </template>
      <RegionHandles
        v-if="view && track"
        :view="view"
        :time="time"
        :regions="track.regions"
        :track="ownerName"
        :locked="work.elsewhere ? locked : ''"
        @begin="work.begin"
        @preview="work.previewMix"
        @commit="work.commit"
        @refuse="(reason: string) => (work.notice = reason)"
      />
    </LaneCanvas>
  </section>
</template>

<style scoped>
.desk {
  display: grid;
  flex: 1;
  grid-template-columns: 186px minmax(0, 1fr);
  min-height: 0;
  overflow: hidden;
}

.canvas {
  height: 100%;
}

.help {
  margin-top: 10px;
  font-size: 14px;
}

.open {
  margin-top: 6px;
}

.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 10px;
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
