<script setup lang="ts">
/** Things by how often they are there, the commonest first: a bar each, with its name above it. A press opens one. */
import { computed } from 'vue'
import { t } from '../words/t'
import type { ChartOption } from './chart'
import ChartFrame from './ChartFrame.vue'

const props = defineProps<{
  /** What it shows, for who cannot see it. */
  label: string
  /** What is counted: the head of the numbers. */
  counted: string
  bars: readonly {
    readonly id: string
    readonly name: string
    readonly count: number
    /** The worse it is the darker: 1…3. */
    readonly weight: number
  }[]
  /** How many there are in all. */
  of: number
  test: string
  opens?: boolean
  /** To be read from the back of a room. */
  large?: boolean
}>()
const emit = defineEmits<{ open: [id: string] }>()

/** px for a bar with its name: in a room that is read, and on a wall. */
const ROWS = { near: 40, far: 62 } as const
const row = computed(() => (props.large ? ROWS.far : ROWS.near))
const TINTS = [0.45, 0.7, 1] as const

const entries = computed(() =>
  props.bars.map((b) => ({
    id: b.id,
    text: t('chart.entry', { name: b.name, count: b.count, of: props.of }),
  })),
)
const table = computed(() => ({
  head: [t('chart.name'), props.counted],
  rows: props.bars.map((b) => [b.name, t('chart.count', { count: b.count, of: props.of })]),
}))
const option: ChartOption = (p, text) => ({
  grid: { left: 2, right: 44, top: 2, bottom: 2 },
  xAxis: { type: 'value', show: false, min: 0, max: Math.max(1, props.of) },
  yAxis: {
    type: 'category',
    show: false,
    inverse: true,
    data: props.bars.map((b) => b.name),
  },
  series: [
    {
      type: 'bar',
      barWidth: props.large ? 18 : 12,
      showBackground: true,
      backgroundStyle: { color: p.wash, borderRadius: 4 },
      data: props.bars.map((b) => ({
        id: b.id,
        value: b.count,
        itemStyle: { color: p.family.volume, opacity: TINTS[b.weight - 1] ?? 1, borderRadius: 4 },
      })),
      label: {
        show: true,
        position: [0, props.large ? -26 : -16],
        color: p.ink,
        opacity: 1,
        fontSize: props.large ? 20 : text.fontSize,
        formatter: ({ name }: { name: string }) => name,
      },
      // moved down by half of the name above it
      barCategoryGap: 0,
    },
    {
      type: 'bar',
      barWidth: props.large ? 18 : 12,
      barGap: '-100%',
      silent: true,
      itemStyle: { color: 'transparent' },
      data: props.bars.map(() => props.of),
      label: {
        show: true,
        position: 'right',
        color: p.ink,
        fontWeight: 600,
        fontSize: props.large ? 22 : 14,
        formatter: ({ dataIndex }: { dataIndex: number }) => String(props.bars[dataIndex]?.count ?? ''),
      },
    },
  ],
})
</script>

<template>
  <ChartFrame
    :label="label"
    :option="option"
    :entries="entries"
    :table="table"
    :height="bars.length * row + 8"
    :test="test"
    :opens="opens"
    @open="(id) => emit('open', id)"
  />
</template>
