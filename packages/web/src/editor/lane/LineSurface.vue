<script setup lang="ts">
/** The editable face of a line: points are set, moved, bent and chosen, and it says where they are. */
import type { Points } from '@rudlo/core/envelope'
import { type Control } from '@rudlo/core/scale'
import { signedText } from '@rudlo/words'
import { placeInWords, type MeterMap } from '@rudlo/core/time'
import { computed, watch } from 'vue'
import LaneSurface from '../surface/LaneSurface.vue'
import type { Box } from '../tools/box'
import { pointTool } from '../tools/point-tool'
import type { Told } from './draw-bubble'
import type { LineEditor } from './line-editor'
import type { Viewport } from './viewport'
import { t } from '../../words/t'

const props = defineProps<{
  view: Viewport
  points: Points
  control: Control
  editor: LineEditor
  meter: MeterMap
  /** How far an arrow key moves a point, in ticks. */
  step: (tick: number) => number
  name: string
  /** Why nothing can be changed here; empty where it can. */
  locked: string
  /** Where Enter adds a point: the play position, and the value the lane has there. */
  here: () => { readonly tick: number; readonly value: number }
  /** A box that is drawn over a lane beside and reaches into this one, in px of this one. */
  boxed?: Box | null | undefined
  /** Name for tests. */
  test?: string
}>()

const emit = defineEmits<{
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  tall: [travel: number, factor: number]
  refuse: [reason: string]
  /** Something is to be said of a point beside it, or nothing any longer. */
  tell: [told: Told | null]
  /** A box is drawn here, as it is now, or is done. */
  box: [box: Box | null]
}>()

const { tool, state, middles } = pointTool({
  view: () => props.view,
  points: () => props.points,
  control: () => props.control,
  editor: props.editor,
  step: (tick) => props.step(tick),
  locked: () => props.locked,
  here: () => props.here(),
  refuse: (reason) => emit('refuse', reason),
  boxed: (drawn) => emit('box', drawn),
})
const holding = computed(() => (state.value.kind === 'holding' ? state.value : null))
const hovered = computed(() => (state.value.kind === 'idle' ? state.value.hovered : -1))
const box = computed(() => (state.value.kind === 'boxing' ? state.value.box : (props.boxed ?? null)))

/** The point that something is said of: in hand, else under the pointer. */
watch(
  () => {
    const { drag, selected } = props.editor
    const index = drag.value ? selected.value : hovered.value
    if (!props.points[index]) return null
    const began = drag.value && !drag.value.fresh ? drag.value.startValue : null
    return { index, began, finger: holding.value?.finger ?? false }
  },
  (told) => emit('tell', told),
)

const spoken = computed(() => {
  const p = props.editor.current.value
  if (!p) return ''
  const where = placeInWords(props.meter, p.tick)
  const n = props.editor.count.value
  if (n > 1) return t('line.chosen', { n, value: props.control.unit.format(p.value), where })
  const { drag } = props.editor
  const by = drag.value && !drag.value.fresh ? p.value - drag.value.startValue : 0
  const moved = Math.abs(by) >= 0.05 ? ` (${signedText(by, 1)})` : ''
  return t('line.point', {
    number: props.editor.selected.value + 1,
    of: props.points.length,
    value: props.control.unit.format(p.value) + moved,
    where,
  })
})

const described = computed(
  () =>
    t('line.label', { name: props.name, n: props.points.length }) + ' ' + (props.locked || t('line.keys')),
)
</script>

<template>
  <LaneSurface
    class="surface"
    :class="{ holding, over: hovered >= 0, locked }"
    :view="view"
    :tool="tool"
    kind="line"
    :label="described"
    :said="spoken"
    :test="test ?? 'line'"
    @zoom="(tick, factor) => emit('zoom', tick, factor)"
    @scroll="(ticks) => emit('scroll', ticks)"
    @tall="(travel, factor) => emit('tall', travel, factor)"
  >
    <span
      v-for="m in middles"
      :key="m.index"
      class="middle"
      :title="t('line.bend')"
      :style="{ left: `${m.x}px`, top: `${m.y}px` }"
    />
    <div
      v-if="box"
      class="box"
      :style="{
        left: `${Math.min(box.x, box.toX)}px`,
        top: `${Math.min(box.y, box.toY)}px`,
        width: `${Math.abs(box.toX - box.x)}px`,
        height: `${Math.abs(box.toY - box.y)}px`,
      }"
    />
  </LaneSurface>
</template>

<style scoped>
.surface.over {
  cursor: grab;
}

.surface.holding {
  cursor: grabbing;
}

.surface.locked {
  cursor: default;
}

.middle {
  position: absolute;
  width: 12px;
  height: 12px;
  margin: -6px 0 0 -6px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  background: var(--sheet);
  transform: rotate(45deg);
  cursor: ns-resize;
  opacity: 0.75;
}

.box {
  position: absolute;
  border: 1.5px dashed var(--ink);
  border-radius: 4px;
  background: color-mix(in srgb, var(--ink) 8%, transparent);
  pointer-events: none;
}
</style>
