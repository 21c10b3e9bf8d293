<script setup lang="ts">
/** What lies over a lane for each way of working by hand: bars, pen, cells, the handles of a ready shape. */
import { begun, type Points } from '@rudlo/core/envelope'
import { resolve } from '@rudlo/core/mix'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import CellsSurface from '../../editor/lane/CellsSurface.vue'
import FreehandSurface from '../../editor/lane/FreehandSurface.vue'
import ShapeHandles from '../../editor/lane/ShapeHandles.vue'
import SpanSurface from '../../editor/lane/SpanSurface.vue'
import type { Viewport } from '../../editor/lane/viewport'
import type { LookListeners } from '../../editor/surface/lane-pointer'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { useShape } from './shape-store'
import { t } from '../../words/t'

const props = defineProps<{
  address: string
  view: Viewport
  /** How it is looked at: bound to whatever hands work on. */
  look: LookListeners
  points: Points
  /** Of the lane, to be read out, and of whose it is. */
  name: string
  owner: string
}>()

const emit = defineEmits<{
  /** Somebody goes on to what can be done with the bars. */
  act: []
}>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const shape = useShape()

const song = computed(() => desk.song!)
const time = computed(() => desk.time!)
const addressed = computed(() => resolve(work.mix!, props.address)!)
const control = computed(() => addressed.value.control)
/** A line that has not begun starts level at the control's setting. */
const line = computed(() => begun(props.points, control.value.scale, addressed.value.setting))

/** What every surface is given. */
const surface = computed(() => ({
  ...props.look,
  view: props.view,
  songLength: song.value.length,
  meter: time.value.meter,
  here: () => player.position,
  name: props.name,
}))
/** And those that draw a line. */
const drawing = computed(() => ({
  ...surface.value,
  control: control.value,
  points: line.value,
  onBegin: work.begin,
  onPreview: (points: Points) => work.preview(props.address, points),
  onCancel: work.cancel,
}))

const change = (label: string, from: number, to: number) => ({
  label: t('lane.did', { what: label, control: control.value.name.toLowerCase(), owner: props.owner }),
  lanes: [props.address],
  from,
  to,
})
const drewFreely = (from: number, to: number) => work.commit(change(t('lane.did.drew'), from, to))
const drewCells = (from: number, to: number) => work.commit(change(t('lane.did.cells'), from, to))

/** The cell of the grid that a tick lies in: a beat where there is no grid. */
function cellAt(tick: number): readonly [number, number] {
  const { meter } = time.value
  const start = meter.barStart(meter.placeAt(tick).bar)
  const size = desk.cell(tick)
  const count = Math.floor((tick - start) / size + 1e-9)
  return [Math.round(start + count * size), Math.round(start + (count + 1) * size)]
}
</script>

<template>
  <SpanSurface
    v-if="desk.hand === 'bars'"
    v-bind="surface"
    :snap="desk.snap"
    :snaps-to-things="desk.snapsToThings"
    :selection="desk.selection"
    :offered="desk.offered"
    @act="emit('act')"
    @select="(s) => (desk.selection = s)"
  />
  <FreehandSurface
    v-if="desk.hand === 'freehand' && control.scale.kind !== 'switch'"
    v-bind="drawing"
    :step="desk.step"
    @commit="drewFreely"
  />
  <!-- what is on or off is drawn cell by cell -->
  <CellsSurface
    v-if="desk.hand === 'cells' || (desk.hand === 'freehand' && control.scale.kind === 'switch')"
    v-bind="drawing"
    :cell="cellAt"
    @commit="drewCells"
  />
  <ShapeHandles
    v-if="shape.laid?.address === address"
    :view="view"
    :span="shape.laid.span"
    :shape="shape.shape"
    @change="shape.change"
    @length="(end, share) => shape.setLength(end, share * shape.beats)"
  />
</template>
