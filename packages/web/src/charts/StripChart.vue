<script setup lang="ts">
/** What was measured of everybody: a dot each on one line, with what was asked for shaded. A press opens whose it is. */
import { computed } from 'vue'
import { t } from '../words/t'
import type { ChartOption } from './chart'
import ChartFrame from './ChartFrame.vue'

const props = defineProps<{
  label: string
  dots: readonly {
    readonly id: string
    readonly who: string
    readonly value: number
    readonly met: boolean
  }[]
  /** What was asked for; null on a side that is open. */
  low: number | null
  high: number | null
  /** The smallest step between two values that are said differently. */
  step: number
  /** A value in words. */
  say: (value: number) => string
  test: string
  opens?: boolean
}>()
const emit = defineEmits<{ open: [id: string] }>()

const HEIGHT = 112
/** So many rows of dots, so that those beside each other do not hide each other. */
const ROWS = 7

/** How far it is drawn: all dots, all that is asked for, and a little air. */
const range = computed(() => {
  const all = [...props.dots.map((d) => d.value), ...[props.low, props.high].filter((x) => x !== null)]
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const air = Math.max(props.step, (most - least) * 0.12)
  return [least - air, most + air] as const
})
const sorted = computed(() => [...props.dots].sort((a, b) => a.value - b.value))
const entries = computed(() =>
  sorted.value.map((d) => ({ id: d.id, text: t('chart.dot', { who: d.who, value: props.say(d.value) }) })),
)
const table = computed(() => ({
  head: [t('chart.student'), t('chart.value')],
  rows: sorted.value.map((d) => [d.who, props.say(d.value)]),
}))

/** Where what was asked for begins and ends; a single value gets a little width, so that it is seen. */
const band = computed(() => {
  if (props.low === null && props.high === null) return null
  const [least, most] = range.value
  const [low, high] = [props.low ?? least, props.high ?? most]
  const thin = (most - least) / 70
  return low === high ? ([low - thin, high + thin] as const) : ([low, high] as const)
})

const option: ChartOption = (p, text) => ({
  grid: { left: 12, right: 12, top: 18, bottom: 26 },
  xAxis: {
    type: 'value',
    min: range.value[0],
    max: range.value[1],
    splitNumber: 3,
    minInterval: props.step,
    axisLabel: {
      color: p.soft,
      fontSize: text.fontSize,
      showMinLabel: false,
      showMaxLabel: false,
      formatter: (value: number) => props.say(value),
    },
    axisLine: { lineStyle: { color: p.rule } },
    axisTick: { show: false },
    splitLine: { lineStyle: { color: p.rule, opacity: 0.5 } },
  },
  yAxis: { type: 'value', show: false, min: -0.6, max: ROWS - 0.4 },
  series: [
    {
      type: 'scatter',
      symbolSize: 10,
      data: sorted.value.map((d, i) => ({
        id: d.id,
        value: [d.value, i % ROWS],
        symbol: d.met ? 'circle' : 'emptyCircle',
        itemStyle: { color: d.met ? p.good : p.warm, borderColor: d.met ? p.good : p.warm, borderWidth: 2 },
      })),
      ...(band.value
        ? {
            markArea: {
              silent: true,
              itemStyle: { color: p.good, opacity: 0.15 },
              data: [[{ xAxis: band.value[0] }, { xAxis: band.value[1] }]],
            },
          }
        : {}),
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
    :height="HEIGHT"
    :test="test"
    :opens="opens"
    @open="(id) => emit('open', id)"
  />
</template>
