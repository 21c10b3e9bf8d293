<script setup lang="ts">
/** Bars by section: how far the lead stands over the rest, with the usual band shaded. */
import { useResizeObserver } from '@vueuse/core'
import type { SectionBalance } from '@rudlo/core/heard'
import { signedText } from '@rudlo/words'
import type { SongVersion } from '@rudlo/core/song'
import { BarChart } from 'echarts/charts'
import { AriaComponent, GridComponent, LegendComponent, MarkAreaComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { DARK, LIGHT } from '../ui/theme/palette'
import { useThemeChoice } from '../ui/theme/theme-store'

const props = defineProps<{
  song: SongVersion
  balances: readonly { readonly name: string; readonly balance: readonly SectionBalance[] }[]
}>()

use([BarChart, GridComponent, LegendComponent, MarkAreaComponent, AriaComponent, CanvasRenderer])

/** Lead over rest in a full arrangement, in LU. */
const USUAL = [0, 4] as const
const theme = useThemeChoice()
const box = ref<HTMLElement>()
let chart: EChartsType | null = null

function draw(): void {
  const p = theme.name === 'dark' ? DARK : LIGHT
  const text = {
    color: p.soft,
    fontFamily: getComputedStyle(document.documentElement).getPropertyValue('--font'),
    fontSize: 13,
  }
  chart?.setOption(
    {
      animation: false,
      aria: { enabled: true, decal: { show: props.balances.length > 1 } },
      color: [p.family.volume, p.soft, p.rule],
      textStyle: text,
      grid: { left: 36, right: 8, top: 22, bottom: 46 },
      legend: { bottom: 0, right: 0, itemHeight: 10, textStyle: text },
      xAxis: {
        type: 'category',
        data: props.song.sections.map((s) => s.letter),
        axisLabel: text,
        axisLine: { lineStyle: { color: p.rule } },
      },
      yAxis: {
        type: 'value',
        name: 'LU',
        min: ({ min }: { min: number }) => Math.floor(Math.min(min - 1, -2)),
        max: ({ max }: { max: number }) => Math.ceil(Math.max(max + 1, USUAL[1] + 1)),
        nameTextStyle: text,
        axisLabel: text,
        splitLine: { lineStyle: { color: p.rule, opacity: 0.6 } },
      },
      series: props.balances.map(({ name, balance }, i) => ({
        type: 'bar',
        name,
        barMaxWidth: 26,
        data: props.song.sections.map((s) => {
          const lead = balance.find((b) => b.section === s.id)?.lead ?? null
          return lead === null ? null : { value: lead, label: { position: lead < 0 ? 'bottom' : 'top' } }
        }),
        ...(i
          ? {}
          : {
              label: {
                show: true,
                ...text,
                color: p.ink,
                formatter: ({ value }: { value: number }) => signedText(value, 1),
              },
              markArea: {
                silent: true,
                itemStyle: { color: p.family.pan, opacity: 0.1 },
                data: [[{ yAxis: USUAL[0] }, { yAxis: USUAL[1] }]],
              },
            }),
      })),
    },
    { notMerge: true },
  )
}

useResizeObserver(box, () => chart?.resize())
onMounted(() => {
  chart = init(box.value!)
  draw()
})
watch(() => [props.balances, theme.name], draw)
onBeforeUnmount(() => chart?.dispose())
</script>

<template>
  <div ref="box" class="chart" data-test="balance-chart" />
</template>

<style scoped>
.chart {
  width: 100%;
  height: 190px;
}
</style>
