<script setup lang="ts">
/** A build as it is heard: a column a bar, made of what each lane adds. */
import type { BuildPicture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import { t } from '../words/t'
import type { Palette } from '../ui/theme/palette'
import type { Beside, LegendEntry, PictureOption, Shown, Sides } from './picture'
import PictureFrame from './PictureFrame.vue'
import PictureLegend from './PictureLegend.vue'

const props = defineProps<{
  picture: BuildPicture
  time: SongTime
  /** Whether it should grow: then it is said where it does, and where it should arrive. */
  grows?: boolean
  /** Name of a lane, for people. */
  nameOf: (lane: string) => string
  position: () => number
  beside?: Beside<BuildPicture> | null
  shown?: Shown | undefined
  sides?: Sides | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

/** Where more bars are shown, figures on their columns would lie on each other. */
const MOST_WITH_FIGURES = 16

const bars = computed(() => props.picture.bars)
const from = computed(() => props.shown?.from ?? bars.value[0]?.from ?? 0)
/** One bar more: where it arrives is seen. */
const to = computed(() => {
  if (props.shown) return props.shown.to
  const { bar } = props.time.meter.lengthsAt(props.picture.arrives - 1)
  return Math.min(props.time.length, props.picture.arrives + bar)
})
const lanes = computed(() => Object.keys(bars.value[0]?.lanes ?? {}))
/** Whether there is room for a figure on every column. */
const legible = computed(
  () => (to.value - from.value) / props.time.meter.lengthsAt(from.value).bar <= MOST_WITH_FIGURES,
)
const middle = (b: { from: number; to: number }) => (b.from + b.to) / 2

/** Colours of the lanes in their order, as a chart and as CSS takes them. */
const TINTS: readonly { readonly css: string; readonly of: (p: Palette) => string }[] = [
  { css: '--family-volume', of: (p) => p.family.volume },
  { css: '--family-effect', of: (p) => p.family.effect },
  { css: '--family-send', of: (p) => p.family.send },
  { css: '--family-pan', of: (p) => p.family.pan },
  { css: '--kin-volume-1', of: (p) => p.kin.volume[0] },
  { css: '--kin-effect-1', of: (p) => p.kin.effect[0] },
]
const tint = (i: number) => TINTS[i % TINTS.length]!
const together = computed(() => {
  const n = props.picture.unsplit
  return n ? t('heard.unsplit', { n }) : t('heard.together')
})
/** Which colour is whose, beside the picture. */
const legend = computed((): LegendEntry[] => [
  ...lanes.value.map((lane, i) => ({
    name: props.nameOf(lane),
    colour: `var(${tint(i).css})`,
    stroke: 'area' as const,
  })),
  { name: together.value, colour: 'var(--rule)', stroke: 'area' },
  ...(props.picture.brightens
    ? [{ name: t('heard.brighter'), colour: 'var(--family-effect)', stroke: 'dashed' } as const]
    : []),
  ...(props.beside ? [{ name: props.beside.name, colour: 'var(--ink)', stroke: 'dotted' } as const] : []),
])

const option = (p: Palette): PictureOption => {
  const stack = (name: string, color: string, values: readonly number[]) => ({
    type: 'bar',
    name,
    stack: 'adds',
    barMaxWidth: 30,
    itemStyle: { color },
    data: bars.value.map((b, i) => [middle(b), values[i]]),
  })
  const { falls, steepest } = props.picture
  return {
    yAxis: [
      {
        type: 'value',
        name: 'LU',
        nameLocation: 'middle',
        nameGap: 34,
        axisLabel: { color: p.soft, formatter: (v: number) => signedText(v, Number.isInteger(v) ? 0 : 1) },
        minInterval: 0.5,
        splitLine: { lineStyle: { color: p.rule, opacity: 0.6 } },
      },
      {
        type: 'value',
        show: props.picture.brightens !== null,
        position: 'right',
        splitLine: { show: false },
        axisLabel: {
          inside: true,
          color: p.family.effect,
          formatter: (v: number) => t('heard.octaves', { octaves: signedText(v, 1) }),
        },
      },
    ],
    series: [
      ...lanes.value.map((lane, i) =>
        stack(
          props.nameOf(lane),
          tint(i).of(p),
          bars.value.map((b) => b.lanes[lane] ?? 0),
        ),
      ),
      stack(
        together.value,
        p.rule,
        bars.value.map((b) => b.together),
      ),
      ...(props.picture.brightens
        ? [
            {
              type: 'line',
              name: t('heard.brighter'),
              yAxisIndex: 1,
              symbol: 'diamond',
              symbolSize: 9,
              data: bars.value.map((b) => [middle(b), b.octaves]),
              lineStyle: { color: p.family.effect, width: 2, type: 'dashed' },
              itemStyle: { color: p.family.effect },
            },
          ]
        : []),
      ...(props.beside
        ? [
            {
              type: 'line',
              name: props.beside.name,
              symbol: 'emptyCircle',
              symbolSize: 7,
              data: props.beside.picture.bars.map((b) => [middle(b), b.adds]),
              lineStyle: { color: p.ink, width: 2, type: 'dotted' },
              itemStyle: { color: p.ink },
            },
          ]
        : []),
      {
        type: 'line',
        name: t('heard.adds'),
        data: bars.value.map((b) => [middle(b), b.adds]),
        symbol: 'circle',
        symbolSize: 9,
        lineStyle: { color: p.ink, width: 2 },
        itemStyle: { color: p.ink },
        label: {
          show: legible.value,
          position: 'top',
          color: p.ink,
          textBorderColor: p.sheet,
          textBorderWidth: 3,
          formatter: ({ value }: { value: [number, number | null] }) =>
            value[1] === null ? '' : signedText(value[1], 1),
        },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: p.ink, type: 'dotted' },
          label: { color: p.soft, formatter: t('heard.arrives') },
          data: props.grows ? [{ xAxis: props.picture.arrives }] : [],
        },
        markPoint: {
          symbol: 'triangle',
          symbolSize: 12,
          symbolRotate: 180,
          symbolOffset: [0, -30],
          itemStyle: { color: p.warm },
          data: bars.value
            .filter(
              (b) => props.grows && lanes.value.length > 0 && (falls.includes(b.bar) || b.bar === steepest),
            )
            .map((b) => ({
              coord: [middle(b), b.adds ?? 0],
              itemStyle: { color: b.bar === steepest ? p.good : p.warm },
              symbolRotate: b.bar === steepest ? 0 : 180,
            })),
        },
      },
    ],
  }
}

function say(tick: number): string {
  const here = bars.value.find((b) => tick >= b.from && tick < b.to)
  if (!here || here.adds === null) return t('heard.build.nothing')
  return t('heard.build.at', { bar: here.bar, adds: signedText(here.adds, 1) })
}
</script>

<template>
  <PictureFrame
    :label="t('heard.build.label')"
    :time="time"
    :from="from"
    :to="to"
    :position="position"
    :option="option"
    :say="say"
    :sides="sides"
    test="build-picture"
    @go="(tick) => emit('go', tick)"
  />
  <PictureLegend :entries="legend" />
</template>
