<script setup lang="ts">
/** Two tracks that cross, as they are heard: one leaves, the other comes, and both together beside an even hand-over. */
import { HOLE_LU, type CrossingPicture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { beatInWords } from '@rudlo/core/time'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import { t } from '../words/t'
import type { Palette } from '../ui/theme/palette'
import {
  edgeLabels,
  FLOOR,
  lossAxis,
  type Beside,
  type LegendEntry,
  type PictureOption,
  type Shown,
  type Sides,
} from './picture'
import { barsOfHops, hopAt, tickOfHop } from './hops'
import PictureFrame from './PictureFrame.vue'
import PictureLegend from './PictureLegend.vue'

const props = defineProps<{
  picture: CrossingPicture
  time: SongTime
  /** Who leaves and who comes. */
  leaves: string
  comes: string
  position: () => number
  beside?: Beside<CrossingPicture> | null
  shown?: Shown | undefined
  sides?: Sides | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

const tickOf = (place: number, { first } = props.picture) => tickOfHop(props.time, first + place)
const span = computed(
  () => props.shown ?? barsOfHops(props.time, props.picture.first, props.picture.sum.length),
)

/** What piles up is drawn as if nothing was missing: the picture is of holes. */
const drawn = (lu: number | null) => (lu === null ? null : Math.min(0, Math.max(FLOOR, lu)))
const line = (values: readonly (number | null)[], of = props.picture) =>
  values.map((v, i) => [tickOf(i + 0.5, of), drawn(v)])

const legend = computed((): LegendEntry[] => [
  {
    name: t('heard.crossing.leaves', { name: props.leaves }),
    colour: 'var(--family-volume)',
    stroke: 'line',
  },
  { name: t('heard.crossing.comes', { name: props.comes }), colour: 'var(--family-send)', stroke: 'dashed' },
  { name: t('heard.crossing.sum'), colour: 'var(--ink)', stroke: 'line' },
  ...(props.beside ? [{ name: props.beside.name, colour: 'var(--ink)', stroke: 'dotted' } as const] : []),
])

const option = (p: Palette): PictureOption => {
  const { hole, meet, start, end } = props.picture
  return {
    yAxis: lossAxis(p.soft, p.rule, (lu) => signedText(lu, 0)),
    series: [
      {
        type: 'line',
        name: props.leaves,
        showSymbol: false,
        data: line(props.picture.leaves),
        lineStyle: { color: p.family.volume, width: 2 },
      },
      {
        type: 'line',
        name: props.comes,
        showSymbol: false,
        data: line(props.picture.comes),
        lineStyle: { color: p.family.send, width: 2, type: 'dashed' },
      },
      ...(props.beside
        ? [
            {
              type: 'line',
              name: props.beside.name,
              showSymbol: false,
              data: line(props.beside.picture.sum, props.beside.picture),
              lineStyle: { color: p.ink, width: 2, type: 'dotted' },
            },
          ]
        : []),
      {
        type: 'line',
        name: t('heard.crossing.sum'),
        showSymbol: false,
        data: line(props.picture.sum),
        lineStyle: { color: p.ink, width: 3 },
        areaStyle: { color: p.warm, opacity: 0.2, origin: 'end' },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: p.ink, type: 'dotted' },
          label: { color: p.soft, position: 'end', rotate: 0 },
          data: [
            ...edgeLabels(
              span.value,
              { tick: start, text: t('heard.begins') },
              { tick: end, text: t('heard.ends') },
            ),
            ...(meet === null ? [] : [{ xAxis: meet, label: { formatter: t('heard.crossing.meet') } }]),
          ],
        },
        markPoint: {
          symbol: 'circle',
          symbolSize: 11,
          itemStyle: { color: p.sheet, borderColor: p.warm, borderWidth: 2.5 },
          label: { position: 'bottom', color: p.ink, formatter: t('heard.crossing.hole') },
          data: hole && hole.deep >= HOLE_LU ? [{ coord: [hole.tick, drawn(-hole.deep)] }] : [],
        },
      },
    ],
  }
}

function say(tick: number): string {
  const hop = hopAt(props.time, tick) - props.picture.first
  const lu = props.picture.sum[hop]
  const where = beatInWords(props.time.meter, tick)
  return lu === null || lu === undefined
    ? t('heard.at.nothing', { where })
    : t('heard.at', { where, loss: signedText(lu, 1) })
}
</script>

<template>
  <PictureFrame
    :label="t('heard.crossing.label', { leaves, comes })"
    :time="time"
    :from="span.from"
    :to="span.to"
    :position="position"
    :option="option"
    :say="say"
    :sides="sides"
    test="crossing-picture"
    @go="(tick) => emit('go', tick)"
  />
  <PictureLegend :entries="legend" />
</template>
