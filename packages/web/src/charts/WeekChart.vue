<script setup lang="ts">
/** Minutes at work, week by week. */
import { computed } from 'vue'
import { t } from '../words/t'
import type { ChartOption } from './chart'
import ChartFrame from './ChartFrame.vue'

const props = defineProps<{
  weeks: readonly { readonly name: string; readonly minutes: number }[]
}>()

const entries = computed(() =>
  props.weeks.map((w, i) => ({ id: String(i), text: t('chart.week', { week: w.name, n: w.minutes }) })),
)
const table = computed(() => ({
  head: [t('chart.week.name'), t('chart.week.minutes')],
  rows: props.weeks.map((w) => [w.name, String(w.minutes)]),
}))
const option: ChartOption = (p, text) => ({
  grid: { left: 34, right: 6, top: 10, bottom: 24 },
  xAxis: {
    type: 'category',
    data: props.weeks.map((w) => w.name),
    axisLabel: { color: p.soft, fontSize: text.fontSize, hideOverlap: true },
    axisLine: { lineStyle: { color: p.rule } },
    axisTick: { show: false },
  },
  yAxis: {
    type: 'value',
    minInterval: 10,
    splitNumber: 3,
    axisLabel: { color: p.soft, fontSize: text.fontSize },
    splitLine: { lineStyle: { color: p.rule, opacity: 0.6 } },
  },
  series: [
    {
      type: 'bar',
      barMaxWidth: 22,
      data: props.weeks.map((w, i) => ({
        id: String(i),
        value: w.minutes,
        itemStyle: { color: p.family.volume, borderRadius: [4, 4, 0, 0] },
      })),
    },
  ],
})
</script>

<template>
  <ChartFrame
    :label="t('chart.weeks')"
    :option="option"
    :entries="entries"
    :table="table"
    :height="150"
    test="weeks"
  />
</template>
