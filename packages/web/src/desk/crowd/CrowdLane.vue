<script setup lang="ts">
/** Many lines of one lane in one picture: thin, the middle half shaded, one of them pointed out. */
import { useResizeObserver } from '@vueuse/core'
import type { MiddleHalf } from '@rudlo/core/compare'
import type { Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { computed, ref, shallowRef, watch } from 'vue'
import PlayPosition from '../../ui/marks/PlayPosition.vue'
import { drawGrid, drawLevels } from '../../editor/lane/draw-grid'
import { drawLine, drawThinLine } from '../../editor/lane/draw-line'
import { useInk } from '../../editor/lane/use-ink'
import LaneSurface from '../../editor/surface/LaneSurface.vue'
import { placeTool } from '../../editor/tools/place-tool'
import { ALL_VALUES, GUTTER, Viewport, zoomValues, type Span, type Values } from '../../editor/lane/viewport'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  control: Control
  span: Span
  lines: readonly { readonly handIn: string; readonly student: string; readonly points: Points }[]
  middle: MiddleHalf | null
  pointed: string | null
  /** Where it plays, in ticks; null where nothing is played. */
  position: (() => number) | null
}>()
const emit = defineEmits<{
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
  go: [tick: number]
}>()

const canvas = ref<HTMLCanvasElement>()
const box = ref<HTMLElement>()
const size = ref({ width: 1, height: 1 })
const values = shallowRef<Values>(ALL_VALUES)
const ink = useInk(() => props.control.family)
const view = computed(() => new Viewport(props.span, size.value.width, size.value.height, values.value))

function draw(): void {
  const c = canvas.value?.getContext('2d')
  if (!c || !canvas.value) return
  const ratio = devicePixelRatio || 1
  const { width, height } = size.value
  canvas.value.width = Math.round(width * ratio)
  canvas.value.height = Math.round(height * ratio)
  c.setTransform(ratio, 0, 0, ratio, 0, 0)
  const { scale, unit } = props.control
  const colours = ink.value
  drawGrid(c, view.value, props.song, props.time, colours)
  drawLevels(c, view.value, scale, unit, colours)
  c.save()
  c.beginPath()
  c.rect(0, 0, width - GUTTER + 8, height)
  c.clip()
  if (props.middle) shade(c, props.middle, colours.line)
  for (const { handIn, points } of props.lines) {
    if (handIn !== props.pointed) drawThinLine(c, view.value, points, scale, colours.soft)
  }
  const one = props.lines.find((l) => l.handIn === props.pointed)
  if (one) drawLine(c, view.value, one.points, scale, colours.line)
  c.restore()
}

function shade(c: CanvasRenderingContext2D, { ticks, low, high, middle }: MiddleHalf, colour: string): void {
  const v = view.value
  c.beginPath()
  ticks.forEach((tick, i) => c.lineTo(v.x(tick), v.y(high[i]!)))
  for (let i = ticks.length - 1; i >= 0; i--) c.lineTo(v.x(ticks[i]!), v.y(low[i]!))
  c.globalAlpha = 0.22
  c.fillStyle = colour
  c.fill()
  c.globalAlpha = 1
  c.beginPath()
  ticks.forEach((tick, i) => c.lineTo(v.x(tick), v.y(middle[i]!)))
  c.strokeStyle = colour
  c.lineWidth = 2
  c.setLineDash([7, 5])
  c.stroke()
  c.setLineDash([])
}

useResizeObserver(box, ([entry]) => {
  const { width, height } = entry!.contentRect
  size.value = { width: Math.max(1, width), height: Math.max(1, height) }
})
watch([view, () => props.lines, () => props.middle, () => props.pointed, ink], draw, { flush: 'post' })

const tool = placeTool({ stretch: () => undefined, go: (tick) => emit('go', tick) })
</script>

<template>
  <div
    ref="box"
    class="crowd-lane"
    role="group"
    :aria-label="t(middle ? 'compare.lines.shaded' : 'compare.lines', { n: lines.length })"
    data-test="crowd"
  >
    <canvas ref="canvas" />
    <PlayPosition v-if="position" :x="() => view.x(position!())" :to="view.width" />
    <LaneSurface
      class="place"
      :view="view"
      :tool="tool"
      :label="t('compare.click')"
      test="crowd-face"
      @zoom="(tick, factor) => emit('zoom', tick, factor)"
      @scroll="(ticks) => emit('scroll', ticks)"
      @tall="(travel, factor) => (values = zoomValues(values, travel, factor))"
    />
  </div>
</template>

<style scoped>
.crowd-lane {
  contain: strict;
  position: relative;
  min-height: 120px;
}

.place {
  cursor: pointer;
}

canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
</style>
