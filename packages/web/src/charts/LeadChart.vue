<script setup lang="ts">
/** How far the lead stands over everything else, bar by bar, with the band in which it usually does. */
import type { LeadBar } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import { t } from '../words/t'
import type { Palette } from '../ui/theme/palette'
import type { Beside, LegendEntry, PictureOption, Shown, Sides } from './picture'
import PictureFrame from './PictureFrame.vue'
import PictureLegend from './PictureLegend.vue'

const props = defineProps<{
  bars: readonly LeadBar[]
  time: SongTime
  position: () => number
  /** The band that is asked for, in LU. */
  band: readonly [low: number, high: number]
  beside?: Beside<readonly LeadBar[]> | null
  shown?: Shown | undefined
  sides?: Sides | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

/** How far away from 0 is shown, in LU: as far as is needed, at most the last of these. */
const RANGES = [12, 18, 24] as const
const most = computed(() => {
  const { from, to } = props.shown ?? { from: 0, to: props.time.length }
  const inView = props.bars.filter((b) => b.from < to && b.to > from)
  const furthest = Math.max(0, ...inView.map((b) => Math.abs(b.lead ?? 0)))
  return RANGES.find((range) => range >= furthest) ?? RANGES[2]
})
const inside = (lu: number) => Math.min(most.value, Math.max(-most.value, lu))

const legend = computed((): LegendEntry[] => [
  { name: t('heard.lead'), colour: 'var(--family-volume)', stroke: 'area' },
  { name: t('heard.lead.low'), colour: 'var(--warm)', stroke: 'area' },
  { name: t('heard.lead.band'), colour: 'color-mix(in srgb, var(--good) 24%, var(--sheet))', stroke: 'area' },
  ...(props.beside ? [{ name: props.beside.name, colour: 'var(--ink)', stroke: 'dotted' } as const] : []),
])

const option = (p: Palette): PictureOption => ({
  yAxis: {
    type: 'value',
    name: 'LU',
    nameLocation: 'middle',
    nameGap: 34,
    min: -most.value,
    max: most.value,
    interval: most.value / 3,
    axisLabel: { color: p.soft, formatter: (v: number) => signedText(v, 0) },
    splitLine: { lineStyle: { color: p.rule, opacity: 0.6 } },
  },
  series: [
    ...(props.beside
      ? [
          {
            type: 'line',
            name: props.beside.name,
            symbol: 'emptyCircle',
            symbolSize: 6,
            data: props.beside.picture.map((b) => [
              (b.from + b.to) / 2,
              b.lead === null ? null : inside(b.lead),
            ]),
            lineStyle: { color: p.ink, width: 1.75, type: 'dotted' },
            itemStyle: { color: p.ink },
            z: 5,
          },
        ]
      : []),
    {
      type: 'bar',
      name: t('heard.lead'),
      barMaxWidth: 18,
      data: props.bars.flatMap(({ from, to, lead }) =>
        lead === null
          ? []
          : [
              {
                value: [(from + to) / 2, inside(lead)],
                itemStyle: { color: lead < props.band[0] ? p.warm : p.family.volume },
              },
            ],
      ),
      markArea: {
        silent: true,
        itemStyle: { color: p.good, opacity: 0.14 },
        data: [[{ yAxis: props.band[0] }, { yAxis: props.band[1] }]],
      },
    },
  ],
})

function say(tick: number): string {
  const here = props.bars.find((b) => tick >= b.from && tick < b.to)
  return here?.lead === null || !here
    ? t('heard.lead.silent')
    : t('heard.lead.at', { bar: here.bar, lu: signedText(here.lead, 1) })
}
</script>

<template>
  <PictureFrame
    :label="t('heard.lead.label')"
    :time="time"
    :from="shown?.from ?? 0"
    :to="shown?.to ?? time.length"
    :sides="sides"
    :position="position"
    :option="option"
    :say="say"
    test="lead-picture"
    @go="(tick) => emit('go', tick)"
  />
  <PictureLegend :entries="legend" />
</template>
