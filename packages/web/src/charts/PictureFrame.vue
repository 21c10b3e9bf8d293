<script setup lang="ts">
/**
 * What every picture of something heard has: a chart over bars in the project's theme, the play position through it, a press that
 * goes there, keys that walk through it and say what is there.
 */
import { useElementSize } from '@vueuse/core'
import { CustomChart, BarChart, LineChart } from 'echarts/charts'
import {
  AriaComponent,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
} from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { SongTime } from '@rudlo/core/song'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { DARK, LIGHT, type Palette } from '../ui/theme/palette'
import PlayPosition from '../ui/marks/PlayPosition.vue'
import { useThemeChoice } from '../ui/theme/theme-store'
import type { PictureOption, Sides } from './picture'

const props = defineProps<{
  /** What it shows, for who cannot see it. */
  label: string
  time: SongTime
  /** The stretch that is shown, in ticks. */
  from: number
  to: number
  /** The play position, in ticks. */
  position: () => number
  /** What is drawn, in the colours of the theme. */
  option: (palette: Palette) => PictureOption
  /** What is said of a place. */
  say: (tick: number) => string
  test: string
  /** Where its bars begin and end, where it lies under something else on the same bars: its numbers stand on the right then. */
  sides?: Sides | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

use([
  LineChart,
  BarChart,
  CustomChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  AriaComponent,
  SVGRenderer,
])

/** px beside and above the plot. */
const GRID = { left: 52, right: 14, top: 26, bottom: 26 } as const
const grid = computed(() => ({ ...GRID, ...props.sides }))
/** px that a bar number needs. */
const NUMBER = 44

const theme = useThemeChoice()
const palette = computed(() => (theme.name === 'dark' ? DARK : LIGHT))
const box = ref<HTMLElement>()
const { width, height } = useElementSize(box)
let chart: EChartsType | null = null
/** The place that keys have come to; null before they are used. */
const cursor = ref<number | null>(null)

const inside = computed(() => Math.max(1, width.value - grid.value.left - grid.value.right))
const x = (tick: number) => grid.value.left + ((tick - props.from) / (props.to - props.from)) * inside.value
const bar = computed(() => props.time.meter.lengthsAt(props.from).bar)

/** What is drawn, followed through whatever the picture is made of: it is drawn anew where that changes. */
const drawn = computed(() => props.option(palette.value))

/** The scale on the right, where the lane above has its own; a second one inside, on the left. */
const onTheRight = (axes: unknown): unknown =>
  (Array.isArray(axes) ? axes : [axes]).map((axis: Record<string, object>, i) => ({
    ...axis,
    name: '',
    position: i ? 'left' : 'right',
    axisLabel: { ...axis['axisLabel'], inside: i > 0 },
  }))

function draw(): void {
  const p = palette.value
  const text = {
    color: p.soft,
    fontFamily: getComputedStyle(document.documentElement).getPropertyValue('--font'),
    fontSize: 13,
  }
  const bars = (props.to - props.from) / bar.value
  const every = Math.max(1, Math.ceil((bars * NUMBER) / inside.value))
  chart?.setOption(
    {
      animation: false,
      aria: { enabled: true, label: { description: props.label } },
      textStyle: text,
      grid: grid.value,
      xAxis: {
        type: 'value',
        // columns stay where they are: the play position runs over the same bars
        containShape: false,
        boundaryGap: [0, 0],
        min: props.from,
        max: props.to,
        interval: every * bar.value,
        axisLabel: {
          ...text,
          formatter: (tick: number) => String(props.time.meter.placeAt(Math.max(0, Math.round(tick))).bar),
        },
        axisLine: { lineStyle: { color: p.rule } },
        splitLine: { lineStyle: { color: p.rule, opacity: 0.5 } },
      },
      ...drawn.value,
      ...(props.sides ? { yAxis: onTheRight(drawn.value['yAxis']) } : {}),
    },
    { notMerge: true },
  )
}

function press(event: PointerEvent): void {
  const { left } = box.value!.getBoundingClientRect()
  const share = (event.clientX - left - grid.value.left) / inside.value
  if (share < 0 || share > 1) return
  emit('go', Math.round(props.from + share * (props.to - props.from)))
}

const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 }
function key(event: KeyboardEvent): void {
  const by = STEPS[event.key]
  const at = cursor.value ?? props.from
  if (by)
    cursor.value = Math.min(
      props.to,
      Math.max(props.from, cursor.value === null ? at : at + (by * bar.value) / 2),
    )
  else if (event.key === 'Home') cursor.value = props.from
  else if (event.key === 'End') cursor.value = props.to
  else if (event.key === 'Enter' && cursor.value !== null) emit('go', cursor.value)
  else return
  event.preventDefault()
  event.stopPropagation()
}

onMounted(() => {
  chart = init(box.value!, null, { renderer: 'svg' })
  draw()
})
watch([width, height, drawn, grid, () => props.from, () => props.to], () => {
  chart?.resize()
  draw()
})
onBeforeUnmount(() => chart?.dispose())
</script>

<template>
  <div
    class="picture"
    role="application"
    tabindex="0"
    :aria-label="label"
    :data-test="test"
    @pointerdown="press"
    @keydown="key"
    @blur="cursor = null"
  >
    <div ref="box" class="chart" aria-hidden="true" />
    <PlayPosition class="place" :x="() => x(position())" :from="grid.left" :to="grid.left + inside" />
    <i v-if="cursor !== null" class="cursor" :style="{ transform: `translateX(${x(cursor)}px)` }" />
    <p v-if="cursor !== null" class="said" role="status">{{ say(cursor) }}</p>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  height: var(--picture-height, 200px);
  cursor: pointer;
}

.chart {
  width: 100%;
  height: 100%;
}

.picture > .place {
  top: 26px;
  bottom: 26px;
}

.cursor {
  position: absolute;
  top: 26px;
  bottom: 26px;
  left: -1px;
  width: 2px;
  background: var(--ink);
  pointer-events: none;
  will-change: transform;
}

.said {
  position: absolute;
  top: 0;
  right: 14px;
  padding: 2px var(--space-2);
  border-radius: var(--radius-s);
  background: var(--desk);
  color: var(--on-desk);
  font-size: var(--text-1);
  pointer-events: none;
}
</style>
